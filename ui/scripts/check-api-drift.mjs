// Fails when src/api/schema.generated.ts is not what openapi.json generates.
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const dir = mkdtempSync(join(tmpdir(), 'yew-api-'))
try {
  const fresh = join(dir, 'schema.ts')
  execFileSync('npx', ['openapi-typescript', '../openapi.json', '-o', fresh], { cwd: 'codegen', stdio: 'pipe' })
  if (readFileSync(fresh, 'utf8') !== readFileSync('src/api/schema.generated.ts', 'utf8')) {
    console.error('src/api/schema.generated.ts is not what openapi.json generates. Run: npm run api')
    process.exit(1)
  }
} finally {
  rmSync(dir, { recursive: true })
}
