import robotsParser from 'robots-parser'

// its types were written for another sort of module: the function itself is what is imported
const parse = robotsParser as unknown as typeof robotsParser.default

/** Whether a robots.txt (RFC 9309) keeps everybody's robots from an address. */
export const isClosedToRobots = (rules: { url: string; text: string }, address: string): boolean =>
  parse(rules.url, rules.text).isDisallowed(address) === true
