import { BanksStation } from '@/features/banks/banks-station'

export default function BanksPage() {
  return <BanksStation />
}
