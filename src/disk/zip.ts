import type { Entry, ZipFile } from 'yauzl'

/** The next entry of a ZIP that is read entry by entry; null at its end. Rejects where its list is damaged. */
export function nextEntry(zip: ZipFile): Promise<Entry | null> {
  return new Promise((resolve, reject) => {
    const done = (act: () => void) => {
      zip.removeAllListeners()
      act()
    }
    zip.once('entry', (entry: Entry) => done(() => resolve(entry)))
    zip.once('end', () => done(() => resolve(null)))
    zip.once('error', (error: Error) => done(() => reject(error)))
    zip.readEntry()
  })
}
