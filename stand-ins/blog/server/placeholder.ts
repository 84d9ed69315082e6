import { page } from './html.js'

/** What a host shows before anything is installed. */
export const placeholder = page({
  title: 'Harbour Hosting',
  lang: 'en',
  body: '<main><h1>This space is taken</h1><p>A new site moves in here before long. If it is yours, your welcome letter tells how to begin.</p><p><a href="https://harbour-hosting.example/">Space for sites, by Harbour Hosting</a></p></main>',
}).replace(/<meta name="generator"[^>]*>/, '')
