import { Trouble } from '@/ui/trouble'

export default function NoPlan() {
  const refusal = {
    code: 'unknown-plan',
    message: 'There is no plan at this address. It may have been removed.',
  }
  return <Trouble title="This plan cannot be shown" refusal={refusal} />
}
