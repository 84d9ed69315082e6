/** The look of a report: one column, paper and sea, nothing that scrolls sideways. */
export const reportStyle = `
:root { color-scheme: light dark; --ink: #22312f; --paper: #fbf9f4; --card: #fff; --line: #ddd6c6; --quiet: #5d6765; --sea: #17595f; --bad: #9c2f1f; }
@media (prefers-color-scheme: dark) { :root { --ink: #e8e4da; --paper: #17201f; --card: #1f2a29; --line: #3a4644; --quiet: #a3adaa; --sea: #7cc4c9; --bad: #f0937f; } }
* { box-sizing: border-box; }
body { margin: 0 auto; max-width: 54rem; padding: 1.5rem 1rem 3rem; background: var(--paper); color: var(--ink); font: 16px/1.55 'DejaVu Sans', 'Segoe UI', system-ui, sans-serif; overflow-wrap: anywhere; }
h1 { font-size: 1.5rem; line-height: 1.25; margin: .1rem 0 .6rem; } h2 { font-size: 1.15rem; margin: 2rem 0 .4rem; border-bottom: 2px solid var(--line); padding-bottom: .2rem; }
h3 { font-size: 1rem; margin: 0 0 .4rem; } p { margin: .3rem 0; } a { color: var(--sea); }
.quiet { color: var(--quiet); font-size: .9rem; } code { font: .85em 'DejaVu Sans Mono', ui-monospace, monospace; color: var(--quiet); }
.verdict { display: inline-block; font-weight: 700; padding: .3rem .8rem; border-radius: .3rem; border: 2px solid currentColor; } .verdict.ok { color: var(--sea); } .not, .bad { color: var(--bad); }
dl { display: flex; flex-wrap: wrap; gap: .4rem 1.6rem; margin: .8rem 0; } dt { color: var(--quiet); font-size: .85rem; } dd { margin: 0; }
article { background: var(--card); border: 1px solid var(--line); border-radius: .4rem; padding: .25rem .9rem; margin: .4rem 0; }
table { border-collapse: collapse; width: 100%; table-layout: fixed; } th, td { text-align: left; vertical-align: top; padding: .2rem .4rem .2rem 0; font-weight: 400; }
th { color: var(--quiet); } .found { color: var(--quiet); }
/* the one thing that may scroll sideways, within itself */
.wide { overflow-x: auto; } .eyes { table-layout: auto; background: var(--card); border: 1px solid var(--line); } .eyes th, .eyes td { border-bottom: 1px solid var(--line); padding: .35rem .6rem; } .eyes { font-size: .9rem; } .eyes thead th { width: auto; } .eyes tbody th { width: auto; white-space: nowrap; } .eyes .ok { color: var(--ink); }
header nav { display: flex; flex-wrap: wrap; gap: .3rem .5rem; margin: .6rem 0; } header nav a { background: var(--card); border: 1px solid var(--line); border-radius: .3rem; padding: .1rem .6rem; text-decoration: none; }
summary { cursor: pointer; padding: .15rem 0; } details details { margin-left: 1rem; } del { color: var(--bad); } ins { color: var(--sea); font-weight: 600; text-decoration: none; border-bottom: 2px solid; }
ul { padding-left: 1.2rem; margin: .3rem 0; } li { margin: .25rem 0; }
.checks { list-style: none; padding: 0; } .checks li { display: flex; gap: .6rem; border-bottom: 1px solid var(--line); padding: .3rem 0; margin: 0; } .checks .ok b { color: var(--sea); } .checks .not b { color: var(--bad); } .checks small { display: block; color: var(--quiet); }
@media print { body { max-width: none; } article { break-inside: avoid; } }
`
