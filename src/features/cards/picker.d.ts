/** Opening folders, where a browser can: not in TypeScript's own library yet. */
interface Window {
  showDirectoryPicker?: (options?: {
    readonly mode?: 'read' | 'readwrite'
    readonly id?: string
  }) => Promise<FileSystemDirectoryHandle>
}
