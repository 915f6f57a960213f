import createClient, { type Middleware } from 'openapi-fetch'
import type { components, paths } from './schema.generated'

export type Schemas = components['schemas']

/** What is wrong with a cell of a table that was to be taken in. */
export interface BadRow {
  line: number
  column: string
  reason: string
}

/** An error of the API as RFC 9457 tells it; `message` is written for the person. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly field?: string,
    readonly line?: number,
    readonly rows: BadRow[] = [],
  ) {
    super(message)
  }
}

const OFFLINE = 'The application cannot be reached. Nothing is lost; try again once it runs.'

function csrfToken(): string {
  const cookie = document.cookie.split('; ').find((c) => c.startsWith('XSRF-TOKEN='))
  return cookie ? decodeURIComponent(cookie.slice('XSRF-TOKEN='.length)) : ''
}

/** Called when no change is on its way any more. */
const waiting: (() => void)[] = []
const changes = new Set<string>()

/** Resolves once the changes that are on their way are answered: what is asked then knows of them. */
export function changesAnswered(): Promise<void> {
  return changes.size === 0 ? Promise.resolve() : new Promise((answered) => waiting.push(answered))
}

function answered(id: string) {
  changes.delete(id)
  if (changes.size === 0) for (const one of waiting.splice(0)) one()
}

const guard: Middleware = {
  onRequest({ request, id }) {
    if (request.method !== 'GET') {
      request.headers.set('X-XSRF-TOKEN', csrfToken())
      changes.add(id)
    }
    return request
  },
  async onResponse({ response, id }) {
    answered(id)
    if (!response.ok) {
      throw await problemOf(response)
    }
  },
  onError({ error, id }) {
    answered(id)
    return error instanceof Problem ? error : new Problem(0, 'offline', OFFLINE)
  },
}

/** Told when an answer says that nobody is signed in any more. */
let sessionEnded: () => void = () => {}
export function onSessionEnd(told: () => void) {
  sessionEnded = told
}

const SESSION_ENDED = 'Your session has ended. Sign in again and send it once more; what you typed is still here.'

async function problemOf(response: Response): Promise<Problem> {
  const body = await response
    .clone()
    .json()
    .catch(() => ({}))
  if (response.status === 401 && !response.url.endsWith('/api/session')) {
    sessionEnded()
    return new Problem(401, 'session-ended', SESSION_ENDED)
  }
  const code = String(body.type ?? '').replace('urn:yew:problem:', '')
  const fallback =
    response.status === 413
      ? 'The file is over 60 MB. Export a shorter period and gather it in parts.'
      : `The application answered with ${response.status}. Nothing was changed; try again.`
  return new Problem(response.status, code || 'http', body.detail ?? fallback, body.field, body.line, body.rows)
}

export const api = createClient<paths>({ baseUrl: '' })
api.use(guard)

/** The data of a successful answer; the guard has thrown for any other. */
export async function data<T>(answer: Promise<{ data?: T }>): Promise<T> {
  return (await answer).data as T
}

/** A form for the addresses that take files, which the generated client does not write. */
export async function upload<T>(path: string, form: FormData): Promise<T> {
  let response: Response
  try {
    response = await fetch(path, { method: 'POST', body: form, headers: { 'X-XSRF-TOKEN': csrfToken() } })
  } catch {
    throw new Problem(0, 'offline', OFFLINE)
  }
  if (!response.ok) {
    throw await problemOf(response)
  }
  return response.json()
}

export function messageOf(error: unknown): string {
  return error instanceof Error ? error.message : String(error)
}
