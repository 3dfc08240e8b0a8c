import { PocketCard } from '@/features/sheets'

export default function SheetsPage() {
  return <PocketCard />
}
