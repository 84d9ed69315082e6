/** Whether visitors come to see what was a draft. */
export const isPublishing = (wanted: { state?: string }, found: { state?: string }): boolean =>
  wanted.state === 'published' && found.state === 'draft'
