'use client'

import { Button } from '@/ui/button'
import { Trouble } from '@/ui/trouble'

export default function ErrorPage({
  error,
  reset,
}: {
  error: Error & { digest?: string }
  reset: () => void
}) {
  const mark = error.digest === undefined ? error.message : `the server's log has it under ${error.digest}`
  const refusal = { code: 'fault', message: `This page could not be made: ${mark}. What you saved is safe.` }
  const again = (
    <Button main onClick={reset}>
      Try again
    </Button>
  )
  return <Trouble title="Something went wrong" refusal={refusal} way={again} />
}
