// Reads a data package as a program of others does: node validate.mjs DATAPACKAGE.JSON
// Says how many rows each table has, or what is wrong, and then ends with 1.
import datapackage from 'datapackage'

const [file] = process.argv.slice(2)
const wrong = []
const pack = await datapackage.Package.load(file)
wrong.push(...pack.errors.map((e) => e.message))
for (const resource of pack.resources) {
  if (!resource.tabular) {
    wrong.push(`${resource.name} is no table`)
    continue
  }
  try {
    // Types, what has to be there, what stands once only, and what refers to rows of other tables.
    const rows = await resource.read({ relations: true })
    console.log(resource.name, rows.length)
  } catch (error) {
    wrong.push(`${resource.name}: ${[error, ...(error.errors ?? [])].map((e) => e.message).join('; ')}`)
  }
}
if (wrong.length > 0) {
  console.log(wrong.join('\n'))
  process.exit(1)
}
