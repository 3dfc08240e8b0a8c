/** Says who reaches what: this machine alone, or other devices through the door. */
export async function tellOfDoor(door) {
  if (!door) {
    console.log('Only this machine reaches it. For a phone or a tablet: npm run demo -- --share\n')
    return
  }
  // Loaded late: packages are there only once they are installed.
  const { default: qrcode } = await import('qrcode')
  // With its own light ground, so that it can be read in a dark terminal, too.
  const picture = await qrcode.toString(door.plain, { type: 'terminal', small: true })
  const first = door.isNew
    ? 'A certificate authority was made for this machine; each device has to trust it once.\n'
    : ''
  console.log(`
Other devices reach it at ${door.origin}

${first}1  Scan this, or open ${door.plain} on the device: there it takes the certificate.
${picture}
2  Its SHA-256 fingerprint has to be
   ${door.fingerprint}
3  Let the device in: on the shelf, under “Other devices”, make a code and type it there.

Who reaches what: everything, each device you let in, until you end it on the shelf.
                  The certificate and the page that asks for a code, anybody in that network.
                  Nothing else, nobody. Without --share it is this machine alone again.
`)
}
