import { Guard } from '../logins/guard.js'
import { asUnpackError } from './error-of.js'

/**
 * What every public call is made in: it throws nothing but an UnpackError, and neither that nor what it gives holds a secret.
 * @param act does it; the guard is told every secret that it comes to know
 */
export async function call<T>(act: (guard: Guard) => Promise<T>): Promise<T> {
  const guard = new Guard()
  try {
    return guard.all(await act(guard))
  } catch (error) {
    throw guard.error(asUnpackError(error))
  }
}
