import { pagesOf } from '../../common/server/html.js'

export { esc, form, type Field } from '../../common/server/html.js'

const style = `
  :root { --ink: #26303a; --paper: #fbfbf8; --line: #d5d8d2; --leaf: #2f5d50; }
  body { margin: 0; background: var(--paper); color: var(--ink); font: 17px/1.6 'DejaVu Sans', Helvetica, sans-serif; }
  body > header, body > main, .wrap { max-width: 66rem; margin: 0 auto; padding: .6rem 1.25rem; }
  header.top { border-bottom: 1px solid var(--line); } .logo { max-height: 72px; display: block; }
  h1, h2, .name { line-height: 1.3; } .name { margin: .3rem 0 0; font-size: 1.5rem; font-weight: bold; } .line { margin: 0; color: #5b6665; }
  a { color: var(--leaf); } nav a { margin-right: 1.1rem; } .menu { list-style: none; display: flex; flex-wrap: wrap; gap: 0 1.3rem; padding: 0; margin: .5rem 0; }
  .menu a { margin: 0; } .page-body { display: flex; gap: 2.5rem; } .page-body main { flex: 1; min-width: 0; } .column { width: 15rem; flex: none; }
  .column h2 { font-size: 1rem; margin: 1rem 0 .2rem; } .column ul { margin: 0; padding-left: 1.2rem; } .column ul ul { padding-left: 1rem; }
  .lead { font-weight: bold; } .when, .tags { color: #5b6665; font-size: .9rem; margin: 0; } img { max-width: 100%; height: auto; }
  footer { border-top: 1px solid var(--line); font-size: .9rem; } .doors { text-align: right; }
  table { border-collapse: collapse; } td, th { text-align: left; padding: .35rem .6rem; border-bottom: 1px solid var(--line); }
  label { display: block; margin: .7rem 0 .2rem; } input, textarea, select { font: inherit; width: 100%; max-width: 36rem; box-sizing: border-box; padding: .3rem; }
  input[type=checkbox] { width: auto; } button { font: inherit; margin-top: 1rem; padding: .4rem 1rem; }
  @media (max-width: 48rem) { .page-body { flex-direction: column; } .column { width: auto; } }`

/** A page of the site. */
export const page = pagesOf('Stand-in content site 1.0', style)
