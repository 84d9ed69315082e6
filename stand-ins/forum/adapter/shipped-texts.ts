/** Digests of the texts that the stand-in ships, measured on a fresh one: stripped of tags, white space folded. */
export const shippedTexts: ReadonlySet<string> = new Set([
  '9459e6adac9fe7385eb27e342d36eff66e14cd5fb4a119a03e84062b68f58971',
  '11f6b10c5194cd1cf8b627d13ca7d3d0b44009c7ce7f426fc9c202c69bedaf02',
  '6fd1e294b4c01983151565138786102efa1fc6f22a5c6402ca6227286a4b1f81',
  '1161387a18bce5513d1045ceb85351ffdd7fccec3dac6ea77a9f7d6afb853413',
])
