<?php
add_action('after_setup_theme', function () {
    add_theme_support('title-tag');
    add_theme_support('automatic-feed-links');
    add_theme_support('html5', ['search-form', 'comment-form', 'comment-list']);
    register_nav_menus(['main' => 'Main menu', 'footer' => 'Footer menu']);
});
add_action('widgets_init', function () {
    register_sidebar([
        'id' => 'main',
        'name' => 'Main sidebar',
        'before_widget' => '<section class="widget">',
        'after_widget' => '</section>',
        'before_title' => '<h2>',
        'after_title' => '</h2>',
    ]);
});
add_action('wp_enqueue_scripts', function () {
    wp_enqueue_style('lantern', get_stylesheet_uri(), [], '1.0');
});
