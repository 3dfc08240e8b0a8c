'use client'

import { useEffect } from 'react'
import { answering } from './early-presses'

/** Says that the page's own code is there: what was pressed before is pressed now. */
export function Answering() {
  useEffect(() => {
    document.dispatchEvent(new Event(answering))
  }, [])
  return null
}
