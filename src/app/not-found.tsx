import { Trouble } from '@/ui/trouble'

export default function NotFound() {
  const refusal = {
    code: 'not-found',
    message: 'Nothing stands at this address. It may be mistyped, or what stood here was removed.',
  }
  return <Trouble title="Nothing here" refusal={refusal} />
}
