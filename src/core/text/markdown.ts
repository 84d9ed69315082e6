import { micromark } from 'micromark'

/**
 * Turns a body written in CommonMark into HTML.
 * @param text CommonMark; raw HTML in it is shown as text, not passed on, and links to scripts are dropped
 * @returns HTML without a page around it
 * @see https://spec.commonmark.org/
 */
export const htmlOf = (text: string): string => micromark(text).trim()
