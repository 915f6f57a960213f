/** The parts of an OpenAPI document that the page shows. */
interface Schema {
  type?: string | string[]
  format?: string
  enum?: string[]
  items?: Schema
  properties?: Record<string, Schema>
  required?: string[]
  description?: string
  $ref?: string
}

interface Content {
  content?: Record<string, { schema?: Schema }>
}

interface Described {
  tags?: string[]
  summary?: string
  description?: string
  parameters?: { name: string; in: string; required?: boolean; schema?: Schema; description?: string }[]
  requestBody?: Content
  responses?: Record<string, Content>
}

export interface ApiDocument {
  paths: Record<string, Record<string, Described>>
  components: { schemas: Record<string, Schema> }
}

/** A value that is sent or answered. */
export interface Value {
  name: string
  /** How it is written: "text", "list of EntryJson". */
  type: string
  required: boolean
  description: string
}

export interface Operation {
  id: string
  method: string
  path: string
  group: string
  about: string
  parameters: Value[]
  sends: Value[]
  answers: Value[]
  answerType: string
}

function nameOf(schema: Schema | undefined): string {
  if (!schema) return 'nothing'
  if (schema.$ref) return schema.$ref.slice(schema.$ref.lastIndexOf('/') + 1)
  const type = Array.isArray(schema.type) ? schema.type[0] : schema.type
  if (type === 'array') return `list of ${nameOf(schema.items)}`
  if (schema.enum) return schema.enum.join(', ')
  return schema.format ?? type ?? 'value'
}

/** The record that a schema, or a list of it, is of. */
function record(schema: Schema | undefined, document: ApiDocument): Schema | undefined {
  const one = schema?.items ?? schema
  return one?.$ref ? document.components.schemas[nameOf(one)] : one
}

function values(schema: Schema | undefined, document: ApiDocument): Value[] {
  const of = record(schema, document)
  return Object.entries(of?.properties ?? {}).map(([name, value]) => ({
    name,
    type: nameOf(value),
    required: of?.required?.includes(name) ?? false,
    description: value.description ?? '',
  }))
}

const schemaOf = (of: Content | undefined) => Object.values(of?.content ?? {})[0]?.schema

/** All that programs can ask, by what it is about. */
export function operations(document: ApiDocument): Operation[] {
  return (
    Object.entries(document.paths)
      .flatMap(([path, methods]) =>
        Object.entries(methods).map(([method, one]): Operation => {
          const good = Object.entries(one.responses ?? {}).find(([status]) => status.startsWith('2'))?.[1]
          return {
            id: `${method} ${path}`,
            method: method.toUpperCase(),
            path,
            group: one.tags?.[0] ?? 'other',
            about: one.description ?? one.summary ?? `answers ${nameOf(schemaOf(good))}`,
            parameters: (one.parameters ?? []).map((p) => ({
              name: p.name,
              type: nameOf(p.schema),
              required: p.required ?? false,
              description: p.description ?? '',
            })),
            sends: values(schemaOf(one.requestBody), document),
            answers: values(schemaOf(good), document),
            answerType: nameOf(schemaOf(good)),
          }
        }),
      )
      // For people who are signed in only.
      .filter((one) => !one.path.startsWith('/api/session') && !/^\/api\/(founding|links|events)/.test(one.path))
      .toSorted((a, b) => a.group.localeCompare(b.group) || a.path.localeCompare(b.path))
  )
}
