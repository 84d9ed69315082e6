import { UnpackError } from '../core/errors.js'

/** What a caller's own function throws is told with its name, and not as a fault of Unpack. */
export async function fromCaller<T>(what: string, act: () => T | Promise<T>): Promise<T> {
  try {
    return await act()
  } catch (error) {
    if (error instanceof UnpackError || (error instanceof Error && error.name === 'AbortError')) throw error
    const why = error instanceof Error ? error.message : String(error)
    throw UnpackError.of('caller-failed', { what, why }, { cause: error })
  }
}

/** The same for every method of an object that a caller has given. */
export const callersOwn = <T extends object>(what: string, own: T): T =>
  new Proxy(own, {
    get(target, key): unknown {
      const value: unknown = Reflect.get(target, key)
      if (typeof value !== 'function') return value
      return (...given: unknown[]) => fromCaller(what, () => Reflect.apply(value, target, given) as unknown)
    },
  })
