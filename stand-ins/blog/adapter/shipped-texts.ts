/** Digests of the texts that the stand-in ships, measured on a fresh one: stripped of tags, white space folded. */
export const shippedTexts: ReadonlySet<string> = new Set([
  '5aa188062927e8b60e0af27991503131614bb96bde5ea3a1b51369d1a21165f7',
  '81daec7ef8f7f148a027b2336927335515b7c6fe57249c336589bb4681dd5366',
  'd647680f57b5fed5abb7a38814c5a4d2336a669ea9ae99e61e361b3d6e5a2beb',
  'bc5fe46fb342da40ee0409464b3dcd962837662dc0e66622a693b22ec4c9a1e5',
])
