'use client'

import { useMemo, useState } from 'react'
import { heldBy, linesAcross, tableIn, variantsAcross, type BankFocus } from '@/core/focus/sheet'
import { afterPresses } from '@/core/focus/variant'
import { outcomeWords, rowSentence } from '@/core/focus/words'
import { lookup } from '@/core/model/lookup'
import type { Posture } from '@/core/model/types'
import { plannedLenses } from '@/core/plan/plan'
import { plannedContext, noBank, usualContext } from '@/core/resolve/context'
import { findingsAt, useAnswer, useDesk, useDeskPart, usePlanPart, useFindings } from '@/features/desk'
import { useShared } from '@/ui/use-shared'
import { useStable } from '@/ui/use-stable'
import type { Picked } from './trigger-table'

/** The finger whose triggers are shown. */
export type Digit = 'any' | 'thumb' | 'index' | 'middle' | 'left'

/** What the Focus station knows: the trigger table as it is narrowed, the line in hand, and the state it is in. */
export function useFocusStation() {
  const { start } = useDesk()
  const side = useDeskPart('side')
  const findings = useFindings()
  const { model, lenses } = start
  const [lens, setLens] = useState<string | null>(null)
  const [posture, setPosture] = useState<Posture>('finder')
  const [digit, setDigit] = useState<Digit>('any')
  const [variant, setVariant] = useState('as set')
  const [pairs, setPairs] = useState(false)
  const [all, setAll] = useState(false)
  const [choice, setChoice] = useState<Picked | null>(null)
  const banks = useAnswer<'focus'>({ kind: 'focus', side, lens, posture })
  const variants = useMemo(() => (banks ? variantsAcross(banks) : []), [banks])
  const shown = variants.includes(variant) ? variant : 'as set'
  const every = useMemo(() => (banks ? linesAcross(banks, shown) : []), [banks, shown])
  const narrowed = useShared(
    every.filter(
      ({ held }) => (pairs || held.length < 2) && (digit === 'any' || heldBy(model, held, digit, posture)),
    ),
  )
  const lines = useShared(all ? narrowed : narrowed.filter(({ sameAs }) => sameAs === null))
  const folded = useShared(narrowed.filter(({ sameAs }) => sameAs !== null).map(({ held }) => held))
  const picked = useShared(
    choice && every.some(({ held }) => held.join() === choice.held.join()) ? choice : firstOf(every, banks),
  )
  const at = banks?.findIndex(({ state }) => state.bank === picked.bank) ?? -1
  const bank = banks?.[at]
  const table = bank && tableIn(bank, shown)
  const plain = usePlanPart((plan) => plannedContext(model, plan, side, null))
  const context = useMemo(
    () => (bank && table ? afterPresses(bank.state.context, table.variant) : plain),
    [bank, table, plain],
  )
  const held = picked.held.flatMap((key) => table?.triggers.find((one) => one.key === key)?.fn.id ?? [])
  const state = useAnswer<'state'>({ kind: 'state', context, held })
  const line = every.find((one) => one.held.join() === picked.held.join())?.cells[at]
  const outcome = line?.outcomes[0]
  const inUse = usePlanPart(plannedLenses)
  const usual = usePlanPart((plan) => usualContext(model, plan, lenses, side)?.context.lens.id ?? '')
  const pickControl = useStable((control: string) => {
    const { addresses } = lookup(model)
    const next = every.find(
      ({ held: [one = '', two] }) => addresses.get(one)?.control.id === control && two === undefined,
    )
    if (next) setChoice({ held: next.held, bank: picked.bank })
  })
  return {
    model,
    side,
    banks,
    lines,
    /** What is held in lines that say what fewer keys say, too: left out unless asked for. */
    folded,
    isUnfolded: all,
    unfold: setAll,
    variants,
    narrowed: { lens, posture, digit, variant: shown, pairs },
    narrow: { lens: setLens, posture: setPosture, digit: setDigit, variant: setVariant, pairs: setPairs },
    /** The lenses to choose from, and the one the table is about. */
    lenses: lenses.filter((one) => inUse.includes(one.id)),
    lens: lens ?? usual,
    picked,
    pick: setChoice,
    pickControl,
    context,
    state,
    outcome,
    words: outcome && outcomeWords(model, outcome),
    sentence: table && line && rowSentence(model, table, line),
    presses: table?.presses ?? [],
    /** Findings about focus, those of the side shown first; null until they are known. */
    problems:
      findings &&
      findingsAt(findings, 'focus').sort((a, b) => Number(b.side === side) - Number(a.side === side)),
  }
}

/** What the Focus station's parts are given. */
export type FocusKnown = ReturnType<typeof useFocusStation>

function firstOf(lines: readonly { held: readonly string[] }[], banks: readonly BankFocus[] | null): Picked {
  const line = lines.find(({ held }) => held.length === 1) ?? lines[0]
  return { held: line?.held ?? [], bank: banks?.[0]?.state.bank ?? noBank }
}
