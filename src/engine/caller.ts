import { UnpackError } from '../core/errors.js'
import { asUnpackError } from './error-of.js'

/**
 * Calls a function that the calling program has given.
 * @throws UnpackError `caller-failed` where it fails by a fault of its own
 */
export async function callCaller<T>(what: string, act: () => T | Promise<T>): Promise<T> {
  try {
    return await act()
  } catch (error) {
    const known = asUnpackError(error)
    if (known.code !== 'fault') throw known
    const why = error instanceof Error ? error.message : String(error)
    throw UnpackError.of('caller-failed', { what, why }, { cause: error })
  }
}

/** The same object, with {@link callCaller} around each of its methods. */
export const wrapCaller = <T extends object>(what: string, own: T): T =>
  new Proxy(own, {
    get(target, key): unknown {
      const value: unknown = Reflect.get(target, key)
      if (typeof value !== 'function') return value
      return (...given: unknown[]) => callCaller(what, () => Reflect.apply(value, target, given) as unknown)
    },
  })
