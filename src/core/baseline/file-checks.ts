import { htmlOf } from '../text/markdown.js'
import { outlinesIn } from '../text/opml.js'
import { sourcesIn } from '../text/pictures.js'
import { sampleIn } from '../text/sample.js'
import { isUpload, uploadEndings } from '../upload.js'
import { besideOf, bytesIn, isTooLong, textIn, type Files } from './files.js'
import type { AddMistake } from './mistake.js'
import { namedFiles } from './names.js'
import type { PlainGroup } from './plain-values.js'

/** Every file that is named has to be there, and to be what its key says. */
export function fileMistakes(values: PlainGroup, files: Files, add: AddMistake): void {
  for (const { name, path, is } of namedFiles(values)) {
    const text = is === 'picture' || is === 'archive' ? undefined : textIn(files, name)
    const wrong = (what: string, expected: string) => {
      add('wrong-file', path, what, expected)
    }
    if (is !== 'picture' && is !== 'archive' && isTooLong(files, name))
      wrong('this text is too long', '4 MiB at the most')
    else if (files[name] === undefined || (text === undefined && is !== 'picture' && is !== 'archive'))
      add(
        'missing-file',
        path,
        `${fileCalled(name)} is ${files[name] === undefined ? 'not there' : 'no text'}`,
        'a file that exists, counted from the folder of the baseline',
      )
    else if (is === 'picture' && !isUpload(name)) wrong('this is no picture', `a file that ends in ${endings}`)
    else if (is === 'archive' && !isZip(bytesIn(files, name))) wrong('this is no archive', 'a zip file')
    else if (is === 'links' && !outlinesIn(text ?? '')) wrong('this is no list of links', 'an OPML file')
    else if (is === 'sample' && !sampleIn(text ?? '')) wrong('this is no sample', 'an RSS-based content export')
    else if (is === 'body')
      for (const source of sourcesIn(htmlOf(text ?? ''))) {
        const picture = besideOf(name, source)
        if (picture === undefined && /^\.\.?\//.test(source))
          wrong('this text shows a picture outside the folder of the baseline', 'one that lies in it')
        else if (picture !== undefined && (!bytesIn(files, picture) || !isUpload(picture)))
          wrong('this text shows a picture that is not there', `a file that ends in ${endings}, counted from the text`)
      }
  }
}

/** A file by its name, where that looks like one: a secret that slipped to the wrong place does not. */
const fileCalled = (name: string): string =>
  /^[\w\p{L} ./-]{1,100}\.[a-z]{2,4}$/u.test(name) ? `the file ${name}` : 'this file'

const endings = uploadEndings.join(', ')
const isZip = (bytes: Uint8Array | undefined): boolean => bytes?.[0] === 0x50 && bytes[1] === 0x4b
