// Runs npm ci only when the lock file differs from what is installed: a warm build skips the wait.
import { execFileSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'

const wanted = createHash('sha256').update(readFileSync('package-lock.json')).digest('hex')
const mark = 'node_modules/.installed-lock'
if (!existsSync(mark) || readFileSync(mark, 'utf8') !== wanted) {
  execFileSync('npm', ['ci', '--no-audit', '--no-fund', '--ignore-scripts', '--prefer-offline', '--loglevel=error'], {
    stdio: 'inherit',
  })
  writeFileSync(mark, wanted)
}
