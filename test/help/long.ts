/** For tests that take more than some seconds: `npm run check` runs them, `npm test` passes over them. */
export const long = { skip: process.env.UNPACK_LONG !== '1' && 'it takes long: npm run check runs it' }
