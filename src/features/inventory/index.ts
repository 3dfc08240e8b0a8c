/** What the owner has: its page, and what holds it there. */
export { InventoryProvider } from './inventory-context'
export { InventoryPage } from './inventory-page'
