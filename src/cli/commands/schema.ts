import { Argument, Command } from 'commander'
import { schemas } from '../schemas.js'

export const schemaCommand = (): Command =>
  new Command('schema')
    .addArgument(new Argument('[document]', 'which').choices(Object.keys(schemas)).default('baseline'))
    .addHelpText('after', `
Examples:
  unpack schema > baseline.schema.json
  unpack schema settle`)
    .action((name: keyof typeof schemas) => {
      process.stdout.write(`${JSON.stringify(schemas[name](), null, 2)}\n`)
    })
