'use client'

import { useCallback, useState } from 'react'
import { columnsOf, type Column } from '@/core/banks/columns'
import type { Setting } from '@/core/model/types'
import { followers, vary } from '@/core/plan/bulk'
import type { RowId } from '@/core/plan/rows'
import type { Value } from '@/core/vocabulary/values'
import { findingsAt, useAnswer, useDesk, useFindings, usePlaceInPage } from '@/features/desk'
import type { BaseChange } from './follow-card'

/** The panels beside the banks, by what they are called. */
export const panels = {
  numbers: 'Numbers',
  build: 'Build',
  keeping: 'Stored',
  hold: 'Hold',
  share: 'Shared',
  problems: 'Problems',
} as const

/** The place in hand: a column, and a setting of it where a cell is. */
export interface InHand {
  readonly column: string
  readonly setting: string | null
}

/** Takes a place in hand, or none. */
export type TakePlace = (place: InHand | null) => void
/** Puts a value into a cell; null for inheriting again. */
export type SetCell = (into: Column, setting: Setting, row: RowId, value: Value | null) => void

/** What the Banks station knows and does: base and banks side by side, the cell in hand, and what a change takes along. */
export function useBanksStation() {
  const desk = useDesk()
  const findings = useFindings()
  const { model, lenses } = desk.start
  const [all, setAll] = useState(false)
  const [panel, setPanel] = useState<keyof typeof panels | null>(null)
  const [inHand, setInHand] = useState<InHand | null>(null)
  const [baseChange, setBaseChange] = useState<BaseChange | null>(null)
  const film = useAnswer<'film'>({ kind: 'film' })
  const banks = useAnswer<'banks'>({ kind: 'banks' })
  usePlaceInPage((place) => {
    if (columnsOf(model, desk.getView().plan, lenses).some((one) => one.id === place))
      setInHand({ column: place, setting: null })
    setPanel('build')
  })
  const columns = banks?.columns ?? []
  const column = columns.find((one) => one.id === inHand?.column) ?? null
  const row = banks?.rows.find(({ setting }) => setting.id === inHand?.setting)
  const cell = column ? row?.cells[columns.indexOf(column)] : undefined
  const waiting = banks !== null && columns.every(({ kind }) => kind === 'base')
  // What it opens on follows from the plan once; from then on the hand turns to another.
  if (banks !== null && panel === null) setPanel(waiting ? 'build' : 'numbers')
  const take: TakePlace = useCallback((place) => {
    setInHand(place)
    if (place?.setting === null) setPanel('build')
  }, [])
  // A base value that banks follow is asked about first, a slot is varied.
  const set: SetCell = useCallback(
    (into, setting, id, value) => {
      const { plan } = desk.getView()
      if (into.kind === 'base' && followers(model, plan, id).length > 0) setBaseChange({ row: id, value })
      else if (into.kind === 'slot' && value !== null) {
        const step = vary(model, plan, into.planned, { [setting.id]: value }, desk.newId())
        if (step.ok) desk.applyStep(step.value)
        else desk.refuse(step.refusal)
      } else desk.set({ [id]: value })
    },
    [desk, model],
  )
  return {
    banks,
    film,
    columns,
    /** The column in hand, and its cell where one is. */
    column,
    cellInHand: column && row && cell ? { column, row, cell } : null,
    inHand,
    take,
    set,
    /** A change of base that banks follow, until it is said which of them go along. */
    baseChange,
    baseChanged: () => setBaseChange(null),
    all,
    showAll: setAll,
    /** No bank is used yet. */
    waiting,
    panel: panel ?? 'numbers',
    setPanel,
    /** Findings about banks; null until they are known. */
    problems: findings && findingsAt(findings, 'banks'),
    bases: columns.filter(({ kind }) => kind === 'base'),
  }
}

/** What the station's parts are given. */
export type BanksKnown = ReturnType<typeof useBanksStation>
