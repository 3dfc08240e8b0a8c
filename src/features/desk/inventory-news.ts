const channelName = 'salt-shelf inventory'

/** Tells the other tabs of this browser that the inventory was saved. */
export function tellInventoryNews(): void {
  const channel = new BroadcastChannel(channelName)
  channel.postMessage('saved')
  channel.close()
}

/** Listens for inventories saved in other tabs; the answer ends it. */
export function onInventoryNews(act: () => Promise<void>): () => void {
  const channel = new BroadcastChannel(channelName)
  channel.onmessage = () => void act()
  return () => channel.close()
}
