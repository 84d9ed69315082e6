<?php
/*
Plugin Name: Contact card
Description: Shows where the café is, below every page.
Author: The Lantern Street Repair Café
Version: 1.0
License: MIT
*/
add_action('wp_footer', function () {
    echo '<p class="card">12 Lantern Street, Saltmarsh Quay · every second Saturday, 10:00–14:00</p>';
});
