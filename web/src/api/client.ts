import createClient from 'openapi-fetch'
import createQueries from 'openapi-react-query'
import { chosenBook } from './book'
import type { components, paths } from './schema'
import { underWay } from './underWay'

export type Schemas = components['schemas']
export type Area = Schemas['Area']

export const client = createClient<paths>({ baseUrl: window.location.origin })
client.use({
  onRequest({ request }) {
    const book = chosenBook()
    if (book) request.headers.set('Practice-Book', book)
    return request
  },
})

client.use(underWay)

export const api = createQueries(client)

/** What went wrong: the field it is about and the remedy, in the server's words. */
export class Problem extends Error {
  constructor(
    readonly field: string,
    message: string,
    readonly status: number,
  ) {
    super(message)
  }
}

interface ProblemDetails {
  detail?: string
  errors?: Record<string, string[]>
}

/** The words of a refusal that a question met; undefined where there is none. */
export const refusalOf = (error: unknown) => (error as ProblemDetails | null)?.detail

/** Waits for an answer; throws a Problem where there is none or it is a refusal. */
export async function ask<T>(
  request: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<T> {
  let answer
  try {
    answer = await request
  } catch {
    throw new Problem(
      'server',
      'The program does not answer. Start it again with ./run; nothing typed here is lost.',
      0,
    )
  }
  if (!answer.response.ok) {
    const details = (answer.error ?? {}) as ProblemDetails
    const [field, messages] = Object.entries(details.errors ?? {})[0] ?? ['server', []]
    throw new Problem(
      field,
      messages[0] ?? details.detail ?? 'This could not be done. Try again.',
      answer.response.status,
    )
  }
  return answer.data as T
}
