import { Argument, Command, InvalidArgumentError, Option } from 'commander'
import { lazily } from '../lazily.js'

const portNumber = (text: string): number => {
  if (!/^\d{1,5}$/.test(text) || Number(text) > 65_535)
    throw new InvalidArgumentError('A port is a number from 0 to 65535.')
  return Number(text)
}

export const standInCommand = (): Command =>
  new Command('stand-in')
    .addArgument(new Argument('<kind>', 'what it is').choices(['blog', 'forum', 'content', 'shop', 'mail']))
    .option(
      '--port <number>',
      'where it listens on 127.0.0.1; 0 finds a free one (blog 4101, forum 4102, content 4103, shop 4104, mail 2525)',
      portNumber,
    )
    .addOption(
      new Option('--standing <standing>', 'what stands there (blog, content, shop: first-run, forum: fresh)').choices([
        'placeholder',
        'first-run',
        'fresh',
        'in-use',
      ]),
    )
    .option('--base <folder>', 'the folder it lives in', '/')
    .option(
      '--mail <port>',
      'the port of a stand-in mail server: new contact addresses and accounts are asked for their consent',
      portNumber,
    )
    .option('--faults <file>', 'a list of faults that befall requests on their way: docs/trust.md')
    .option('--folder <folder>', 'for mail: where the mails go', 'mails')
    .addHelpText(
      'after',
      `
Examples:
  unpack stand-in blog --port 4101 --standing first-run
  unpack stand-in blog --standing in-use --base /blog/
  unpack stand-in content --base /museum/
  unpack stand-in shop --standing in-use
  unpack stand-in mail --folder mails, then: unpack stand-in forum --mail 2525`,
    )
    .action(lazily(async () => (await import('../actions/stand-in.js')).standIn))
