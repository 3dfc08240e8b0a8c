import { NumbersPage } from '@/features/numbers'

export default function PlanNumbersPage() {
  return <NumbersPage />
}
