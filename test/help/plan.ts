import { readBaseline, type Baseline, type Files } from 'unpack'

/** A short baseline for an address: what a test wants beside a title and an owner. */
export const planned = (
  address: string,
  rest = '',
  files: Files = {},
  owner = 'username: marlow, email: marlow@quay.example',
  site = '',
): Baseline =>
  readBaseline(
    `unpack: 1\nsite: { address: "${address}", title: Tidepool${site} }\nowner: { ${owner} }\n${rest}`,
    files,
  ).baseline
