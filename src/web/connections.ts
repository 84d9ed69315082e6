import { setMaxListeners } from 'node:events'
import { Agent, buildConnector, Dispatcher, EnvHttpProxyAgent } from 'undici'
import { isThisMachine, parseAddress } from '../core/address.js'

/** Where a host name and port are to be found; for tests and for sites whose name is not yet in the name servers. */
export type Resolve = (
  host: string,
  port: number,
) => { host: string; port: number } | Promise<{ host: string; port: number }>

const hasProxy = (): boolean =>
  ['http_proxy', 'https_proxy'].some((name) => process.env[name] ?? process.env[name.toUpperCase()])

/** Connections that are kept open and shared by all visitors of one run. */
export function connections(resolve?: Resolve, signal?: AbortSignal): Dispatcher {
  // every request in flight listens for the stop
  if (signal) setMaxListeners(0, signal)
  const plain = buildConnector({ timeout: 10_000 })
  // servers close what rests for two seconds, some without a word: it is not used again after one and a half
  const limits = { connections: 6, headersTimeout: 60_000, bodyTimeout: 60_000, keepAliveTimeout: 1_500 }
  // HTTP_PROXY, HTTPS_PROXY and NO_PROXY, as other programs on this machine take them
  if (!resolve && hasProxy())
    return new BesideProxy(new Agent({ ...limits, connect: plain }), new EnvHttpProxyAgent(limits))
  return new Agent({
    ...limits,
    connect: resolve
      ? (options, callback) => {
          const port = Number(options.port) || (options.protocol === 'https:' ? 443 : 80)
          Promise.resolve(resolve(options.hostname, port)).then(
            (to) => {
              plain(
                {
                  ...options,
                  servername: options.servername ?? options.hostname,
                  hostname: to.host,
                  host: to.host,
                  port: String(to.port),
                },
                callback,
              )
            },
            (error: unknown) => {
              callback(error as Error, null)
            },
          )
        }
      : plain,
  })
}

/** Goes through the proxy of the environment, but for addresses of this very machine: those mean nothing to a proxy. */
class BesideProxy extends Dispatcher {
  constructor(
    private readonly direct: Dispatcher,
    private readonly proxied: Dispatcher,
  ) {
    super()
  }
  override dispatch(options: Dispatcher.DispatchOptions, handler: Dispatcher.DispatchHandler): boolean {
    const address = parseAddress(String(options.origin))
    return (address && isThisMachine(address) ? this.direct : this.proxied).dispatch(options, handler)
  }
  override async close(): Promise<void> {
    await Promise.all([this.direct.close(), this.proxied.close()])
  }
  override async destroy(): Promise<void> {
    await Promise.all([this.direct.destroy(), this.proxied.destroy()])
  }
}
