import { BanksStation } from '@/features/banks'

export default function BanksPage() {
  return <BanksStation />
}
