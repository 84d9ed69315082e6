import { pagesOf } from '../../common/server/html.js'

export { esc, form, type Field } from '../../common/server/html.js'

const style = `
  :root { --ink: #23302f; --paper: #fdfbf6; --line: #d9d2c3; --sea: #1f5f66; }
  body { margin: 0; background: var(--paper); color: var(--ink); font: 17px/1.6 Georgia, 'DejaVu Serif', serif; }
  body > header, body > main, .wrap, body > footer { max-width: 44rem; margin: 0 auto; padding: 1rem 1.25rem; }
  header { border-bottom: 3px double var(--line); } header .wrap { padding: 0; }
  h1, .name { margin: .5rem 0 0; font-size: 1.7rem; font-weight: bold; line-height: 1.3; } .line { margin: 0 0 .5rem; color: #5b6665; }
  .menu { list-style: none; display: flex; flex-wrap: wrap; gap: 0 1.1rem; padding: 0; margin: .5rem 0; } a { color: var(--sea); }
  nav a { margin-right: 1.1rem; } .menu a { margin: 0; }
  .side { border-top: 1px solid var(--line); } .side h2 { font-size: 1rem; margin: 1rem 0 .2rem; } .side ul { margin: 0; padding-left: 1.2rem; }
  .when { margin: 0; color: #5b6665; font-size: .9rem; } img { max-width: 100%; height: auto; }
  footer { border-top: 1px solid var(--line); color: #5b6665; font-size: .85rem; }
  article { margin: 1.5rem 0; } table { border-collapse: collapse; width: 100%; } td, th { text-align: left; padding: .35rem .6rem; border-bottom: 1px solid var(--line); }
  label { display: block; margin: .7rem 0 .2rem; } input, textarea, select { font: inherit; width: 100%; max-width: 36rem; box-sizing: border-box; padding: .3rem; }
  input[type=checkbox] { width: auto; } button { font: inherit; margin-top: 1rem; padding: .4rem 1rem; }`

/** A page of the blog. */
export const page = pagesOf('Stand-in blog 1.0', style)
