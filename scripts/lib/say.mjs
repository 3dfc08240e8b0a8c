/** Tells one step, on a line of its own. */
export function say(text) {
  console.log(`· ${text}`)
}

/** An end that the person at the keyboard can mend: told plainly, without a stack. */
export class Stop extends Error {}

/** Runs a script's main act; a `Stop` is told and ends with 1, anything else is a fault and shows its stack. */
export async function main(act) {
  // A terminal that is closed takes nothing more in; what is to be ended must be ended all the same.
  for (const stream of [process.stdout, process.stderr]) stream.on('error', () => undefined)
  try {
    await act()
  } catch (error) {
    if (error instanceof Stop) console.error(`\nStopped: ${error.message}\n`)
    else console.error(error)
    process.exitCode = 1
  }
}
