import { builtIn } from 'unpack'
import { conform } from '../help/conform.js'
import { folder } from '../help/folders.js'
import { labContent, providedContent } from '../help/lab-content.js'

const root = folder()
const content = await labContent('conformance')

const plone = builtIn.find(({ id }) => id === 'plone')
if (plone) conform(plone, '6.2', () => providedContent(content, root))
