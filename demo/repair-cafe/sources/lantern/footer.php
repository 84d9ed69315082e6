</main>
<?php if (is_active_sidebar('main')) : ?><aside class="side"><?php dynamic_sidebar('main'); ?></aside><?php endif; ?>
</div>
<footer class="foot"><div class="wrap">
<nav aria-label="Footer"><?php wp_nav_menu(['theme_location' => 'footer', 'container' => false, 'fallback_cb' => false, 'depth' => 1]); ?></nav>
<?php wp_footer(); ?>
</div></footer>
</body>
</html>
