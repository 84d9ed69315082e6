import { pagesOf } from '../../common/server/html.js'

export { esc, form, type Field } from '../../common/server/html.js'

const style = `
  :root { --ink: #1d2b33; --paper: #f6f8f7; --card: #ffffff; --line: #d3dcdb; --sea: #14566b; --quiet: #5a6a6e; }
  body { margin: 0; background: var(--paper); color: var(--ink); font: 16px/1.55 'DejaVu Sans', 'Segoe UI', system-ui, sans-serif; }
  .wrap, body > main, body > header:not(.top) { max-width: 58rem; margin: 0 auto; padding: 1rem 1.25rem; box-sizing: border-box; }
  .top { background: var(--sea); color: #fff; } .top a { color: #fff; } .top .name { margin: 0; font-size: 1.5rem; font-weight: 700; } .top .name a { text-decoration: none; }
  .top .line { margin: .1rem 0 0; opacity: .9; } .top nav { margin-top: .5rem; } .top nav a { margin-right: 1.1rem; }
  a { color: var(--sea); } h2 { font-size: 1.1rem; margin: 1.6rem 0 .5rem; } .quiet { color: var(--quiet); font-size: .9rem; margin: .1rem 0 0; }
  .forums { list-style: none; margin: 0; padding: 0; background: var(--card); border: 1px solid var(--line); border-radius: .4rem; }
  .forums li { display: grid; grid-template-columns: 1fr 9rem; gap: 1rem; padding: .7rem 1rem; border-top: 1px solid var(--line); } .forums li:first-child { border-top: 0; }
  .forums h3 { margin: 0; font-size: 1rem; } .forums .count { text-align: right; color: var(--quiet); font-size: .9rem; }
  .post { background: var(--card); border: 1px solid var(--line); border-radius: .4rem; padding: .7rem 1rem; margin: .7rem 0; } .post .by { margin: 0; color: var(--quiet); font-size: .9rem; }
  table { border-collapse: collapse; width: 100%; } td, th { text-align: left; padding: .35rem .6rem; border-bottom: 1px solid var(--line); }
  label { display: block; margin: .7rem 0 .2rem; } input, textarea, select { font: inherit; width: 100%; max-width: 36rem; box-sizing: border-box; padding: .3rem; }
  input[type=checkbox] { width: auto; } button { font: inherit; margin-top: 1rem; padding: .4rem 1rem; } footer .wrap { color: var(--quiet); font-size: .85rem; }`

/** A page of the forum. */
export const page = pagesOf('Stand-in forum 1.0', style)
