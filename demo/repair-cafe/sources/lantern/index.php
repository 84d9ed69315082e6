<?php get_header(); ?>
<?php if (is_archive() || is_search()) : ?><header><h1><?php echo is_search() ? esc_html(get_search_query()) : wp_kses_post(get_the_archive_title()); ?></h1><?php the_archive_description(); ?></header><?php endif; ?>
<?php while (have_posts()) : the_post(); ?>
<article <?php post_class('entry'); ?>>
<?php if (is_singular()) : ?>
<h1><?php the_title(); ?></h1>
<?php else : ?>
<h2><a href="<?php the_permalink(); ?>"><?php the_title(); ?></a></h2>
<?php endif; ?>
<?php if (get_post_type() === 'post') : ?><p class="when"><?php echo esc_html(get_the_date()); ?> · <?php the_author(); ?> · <?php the_category(', '); ?></p><?php endif; ?>
<?php the_content(); ?>
</article>
<?php if (is_singular() && (comments_open() || get_comments_number())) { comments_template(); } ?>
<?php endwhile; ?>
<?php the_posts_pagination(); ?>
<?php get_footer(); ?>
