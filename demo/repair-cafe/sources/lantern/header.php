<!doctype html>
<html <?php language_attributes(); ?>>
<head>
<meta charset="<?php bloginfo('charset'); ?>">
<meta name="viewport" content="width=device-width, initial-scale=1">
<?php wp_head(); ?>
</head>
<body <?php body_class(); ?>>
<?php wp_body_open(); ?>
<header class="top"><div class="wrap">
<p class="name"><a href="<?php echo esc_url(home_url('/')); ?>"><?php bloginfo('name'); ?></a></p>
<p class="line"><?php bloginfo('description'); ?></p>
<nav aria-label="Main"><?php wp_nav_menu(['theme_location' => 'main', 'container' => false, 'fallback_cb' => false, 'depth' => 1]); ?></nav>
</div></header>
<div class="wrap page-body<?php echo is_active_sidebar('main') ? '' : ' wide'; ?>">
<main>
