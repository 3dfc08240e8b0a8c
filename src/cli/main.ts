import { run } from './run'

const ended = await run(process.argv.slice(2))
if (ended.output !== '') process.stdout.write(`${ended.output}\n`)
if (ended.error !== '') process.stderr.write(`${ended.error}\n`)
process.exitCode = ended.code
