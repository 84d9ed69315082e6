import { escapeText } from 'entities'
import { shownText } from '../../core/text/plain.js'

/* Titles, names and labels: texts for their owner, HTML for this system. */

/** A title as it is sent, so that visitors read it sign by sign. */
export const titleAsHtml = (title: string): string => escapeText(title)

/** What visitors read where the system has this for a title. */
export const titleIn = (html: string): string => shownText(html)
