import { createServer } from 'node:http'
import { idOf, Secret, Shelf, Step, type AnyDifference, type Carrier, type SignedIn, type System } from 'unpack'

type Item = Readonly<Record<string, unknown>>
interface Fields {
  ref: string
  item: Item
  after: readonly unknown[]
}

/** A site that is nothing but maps in memory, and its adapter: whatever takes time is Unpack's own. */
export async function memorySite(): Promise<{
  address: string
  system: System
  password: Secret
  close(): Promise<void>
}> {
  const server = createServer((_request, answer) => answer.end('<title>memory</title>'))
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const { port } = server.address() as { port: number }
  const address = `http://127.0.0.1:${port}/`
  const password = new Secret('in-memory-only-41')
  const site = { title: 'Tidepool' }
  const owner = { username: 'marlow', email: 'marlow@quay.example' }
  const listed = ['categories', 'pages', 'posts'] as const
  return {
    address,
    password,
    system: {
      id: 'memory',
      name: 'a site in memory',
      kind: 'blog',
      password: { length: 20, characters: 'abcdef' },
      areas: {
        site: { read: () => Promise.resolve([{ id: 'site', item: site }]) },
        owner: { read: () => Promise.resolve([{ id: 1, item: owner }]) },
        ...Object.fromEntries(listed.map((name) => [name, list(name === 'posts' ? 25 : 1)])),
      },
      screens: [],
      recognise: () =>
        Promise.resolve({
          id: 'memory',
          name: 'a site in memory',
          version: '1',
          proven: true,
          state: 'set up',
          content: 'only shipped',
          address,
          reasons: [],
        } as never),
      signIn: (visitor, login) =>
        Promise.resolve({ visitor, login, shelf: new Shelf(), signOut: () => Promise.resolve() } as SignedIn),
      trouble: () => undefined,
      showsShippedText: () => false,
    },
    close: () => new Promise((resolve) => void server.close(() => resolve())),
  }
}

/** An area whose items are kept in a list. */
function list(atOnce: number): object {
  const items: { id: number; item: Item }[] = []
  const carrier: Carrier<Fields> = {
    name: `memory, ${atOnce} at once`,
    side: 'dashboard',
    atOnce,
    carry(loads) {
      return Promise.resolve(
        loads.map(({ item }) => {
          items.push({ id: items.length + 1, item })
          return { id: items.length }
        }),
      )
    },
  }
  const linked = ({ parent = '', categories = [] }: Item) =>
    [parent, ...(categories as unknown[])].filter((ref) => ref !== '').map((ref) => idOf(String(ref)))
  return {
    read: () => Promise.resolve([...items]),
    translate: (differences: readonly AnyDifference[]) =>
      differences.flatMap((difference) =>
        difference.is === 'left over'
          ? []
          : Step.of(
              carrier,
              { ref: difference.ref, item: difference.wanted as Item, after: linked(difference.wanted as Item) },
              { proves: [difference], gives: difference.ref },
            ),
      ),
  }
}
