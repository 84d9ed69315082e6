/** Text made safe for HTML. */
export const esc = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;')

export interface PageOptions {
  title: string
  lang: string
  head?: string
  body: string
  /** The address of a style sheet that takes the place of the usual one. */
  css?: string
}
/** Makes whole pages of one stand-in: `head` and `body` are HTML, everything else is text. */
export const pagesOf =
  (generator: string, style: string) =>
  (options: PageOptions): string =>
    `<!doctype html>
<html lang="${esc(options.lang)}">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${esc(options.title)}</title>
<meta name="generator" content="${generator}">${options.head ?? ''}${options.css === undefined ? `<style>${style}</style>` : `<link rel="stylesheet" href="${options.css}">`}</head>
<body>
${options.body}
</body>
</html>
`

/** A form with its one-time token. Fields are name, label and value; a value that is a list of choices becomes a menu. */
export function form(options: {
  action: string
  token: string
  id: string
  button: string
  fields: readonly Field[]
}): string {
  const fields = options.fields.map(({ name, label, value, choices, kind }) => {
    const input = choices
      ? `<select name="${name}">${choices.map((choice) => `<option value="${esc(choice)}"${choice === value ? ' selected' : ''}>${esc(choice || '(none)')}</option>`).join('')}</select>`
      : kind === 'file'
        ? `<input type="file" name="${name}">`
        : kind === 'long'
          ? `<textarea name="${name}" rows="12">\n${esc(value)}</textarea>`
          : kind === 'box'
            ? `<input type="checkbox" name="${name}" value="1"${value === '1' ? ' checked' : ''}>`
            : `<input name="${name}" type="${kind ?? 'text'}" value="${esc(value)}">`
    return `<label>${esc(label)}</label>${input}`
  })
  return `<form id="${options.id}" method="post" action="${options.action}"${options.fields.some(({ kind }) => kind === 'file') ? ' enctype="multipart/form-data"' : ''}><input type="hidden" name="token" value="${options.token}">${fields.join('')}<button>${esc(options.button)}</button></form>`
}

export interface Field {
  name: string
  label: string
  value: string
  choices?: readonly string[]
  kind?: 'long' | 'password' | 'box' | 'email' | 'file'
}
