import { pagesOf } from '../../common/server/html.js'

export { esc, form, type Field } from '../../common/server/html.js'

const style = `
  :root { --ink: #2b2a33; --paper: #fffdf8; --line: #ddd6c8; --moss: #4a6b3a; --clay: #a4532f; }
  body { margin: 0; background: var(--paper); color: var(--ink); font: 17px/1.6 'DejaVu Sans', Verdana, sans-serif; }
  body > header:not(.top), body > main, .wrap { max-width: 64rem; margin: 0 auto; padding: .6rem 1.25rem; }
  header.top { border-bottom: 2px solid var(--moss); } .logo { max-height: 64px; display: block; }
  h1, h2, .name { line-height: 1.3; } .name { margin: .3rem 0 0; font-size: 1.5rem; font-weight: bold; } .line { margin: 0; color: #6a655c; }
  a { color: var(--moss); } nav a { margin-right: 1.1rem; } .menu { list-style: none; display: flex; flex-wrap: wrap; gap: 0 1.3rem; padding: 0; margin: .5rem 0; }
  .menu a { margin: 0; } .doors { text-align: right; margin: 0; } .doors form { display: inline; } .doors input { width: 10rem; }
  .shelf { display: grid; grid-template-columns: repeat(auto-fill, minmax(13rem, 1fr)); gap: 1.2rem; padding: 0; list-style: none; }
  .shelf li { border: 1px solid var(--line); border-radius: .4rem; padding: .8rem; background: #fff; } .shelf img { width: 100%; height: 9rem; object-fit: contain; }
  .price { font-weight: bold; color: var(--clay); } .price s { color: #6a655c; font-weight: normal; } .sold { color: #6a655c; }
  .wrap > main > img { max-height: 14rem; } main { padding: 0; }
  article.product { display: flex; gap: 2rem; flex-wrap: wrap; } article .pictures { width: 20rem; } article .pictures:empty { display: none; }
  .choices { list-style: none; display: flex; flex-wrap: wrap; gap: .6rem; padding: 0; } .choices a { display: block; border: 1px solid var(--line); border-radius: .4rem; padding: .2rem .9rem; background: #fff; }
  #buy input { width: 5rem; margin-right: 1rem; } .choices .chosen a { border-color: var(--moss); font-weight: bold; } article .about { flex: 1; min-width: 16rem; }
  img { max-width: 100%; height: auto; } footer { border-top: 1px solid var(--line); font-size: .9rem; margin-top: 2rem; }
  table { border-collapse: collapse; } td, th { text-align: left; padding: .35rem .6rem; border-bottom: 1px solid var(--line); }
  label { display: block; margin: .7rem 0 .2rem; } input, textarea, select { font: inherit; width: 100%; max-width: 36rem; box-sizing: border-box; padding: .3rem; }
  input[type=checkbox], input[type=radio] { width: auto; } button { font: inherit; margin-top: 1rem; padding: .4rem 1rem; } .total { font-size: 1.15rem; font-weight: bold; }`

/** A page of the shop. */
export const page = pagesOf('Stand-in shop 1.0', style)
