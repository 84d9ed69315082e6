/** The text of a folder: shown by itself in the folder's place. */
export const OWN_TEXT = 'index_html'
/** What the name of a text ends in that waits for the folder that it will stand in. */
export const WAITING = '.text'
