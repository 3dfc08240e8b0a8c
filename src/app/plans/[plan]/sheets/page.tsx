import { PocketCard } from '@/features/sheets/pocket-card'

export default function SheetsPage() {
  return <PocketCard />
}
