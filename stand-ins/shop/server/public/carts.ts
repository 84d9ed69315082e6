import { randomBytes } from 'node:crypto'
import type { FastifyReply, FastifyRequest } from 'fastify'
import type { Product } from '../model.js'
import type { Line } from '../sums.js'

/** Where and to whom an order goes, as the check-out was told. */
export interface Recipient {
  name: string
  email: string
  street: string
  city: string
  region: string
  postcode: string
  country: string
}
interface Cart {
  lines: Line[]
  to?: Recipient
}

/** What visitors have put into their carts: by a cookie, and gone with the server. */
export class Carts {
  readonly #all = new Map<string, Cart>()
  constructor(private readonly base: string) {}

  of(request: FastifyRequest): readonly Line[] {
    return this.#cart(request)?.lines ?? []
  }
  to(request: FastifyRequest): Recipient | undefined {
    return this.#cart(request)?.to
  }
  put(request: FastifyRequest, reply: FastifyReply, product: Product, count: number): void {
    const cart = this.#cart(request) ?? this.#begin(reply)
    const line = cart.lines.find((one) => one.product === product)
    if (line) line.count += count
    else cart.lines.push({ product, count })
  }
  send(request: FastifyRequest, to: Recipient): void {
    const cart = this.#cart(request)
    if (cart) cart.to = to
  }
  empty(request: FastifyRequest): void {
    this.#all.delete(request.cookies.basket ?? '')
  }

  #cart(request: FastifyRequest): Cart | undefined {
    return this.#all.get(request.cookies.basket ?? '')
  }
  #begin(reply: FastifyReply): Cart {
    const id = randomBytes(16).toString('hex')
    const cart: Cart = { lines: [] }
    this.#all.set(id, cart)
    void reply.setCookie('basket', id, { path: this.base, httpOnly: true, sameSite: 'lax' })
    return cart
  }
}
