'use client'

import { describeStep, rowValue, schoolRow, type RowId } from '@/core/plan/rows'
import { baseRow, defaultWhereabouts } from '@/core/plan/cells'
import { useMemo, useState } from 'react'
import type { FinderPicture } from '@/core/focus/finder'
import { schemeDispute } from '@/core/focus/schemes'
import { schoolFor } from '@/core/plan/schools'
import { showValue } from '@/core/model/domain'
import { lookup } from '@/core/model/lookup'
import type { Setting } from '@/core/model/types'
import type { StateValues } from '@/core/analysis/questions'
import { commonSettings } from '@/core/vocabulary/catalogue'
import { disputes, type Dispute } from '@/core/vocabulary/schools'
import { useDesk, useDeskPart, useFindings, usePlan, ValueField } from '@/features/desk'
import { Offer } from '@/ui/button'
import { ScopeChoice, scopesOf } from './answer-scope'

/** Where owners differ about focus: each question with its settings as they are here, and the reason of every side. */
export function QuestionPanel({
  state,
  picture,
}: {
  /** The state looked at; null until it is known. */
  state: StateValues | null
  picture: FinderPicture | null
}) {
  const { model } = useDesk().start
  const asked = useMemo(
    () =>
      disputes.filter(
        ({ id, settings }) =>
          id !== schemeDispute &&
          settings.some(
            (means) =>
              (means.startsWith('focus.') || means === 'exposure.meterFollowsSubject') &&
              lookup(model).byMeaning.has(means),
          ),
      ),
    [model],
  )
  return (
    <div className="grid gap-2">
      {picture && (
        <p className="text-small text-silt">
          From the middle to the farthest corner the area goes in{' '}
          <b className="text-ink tabular-nums">{picture.movesToCorner}</b>{' '}
          {picture.movesToCorner === 1 ? 'move' : 'moves'} of the stick.
        </p>
      )}
      {asked.map((dispute) => (
        <Question key={dispute.id} dispute={dispute} state={state} />
      ))}
    </div>
  )
}

function Question({ dispute, state }: { dispute: Dispute; state: StateValues | null }) {
  const desk = useDesk()
  const plan = usePlan()
  const { model } = desk.start
  const side = useDeskPart('side')
  const [picked, setPicked] = useState<RowId | null>(null)
  const scopes = scopesOf(model, plan, side, dispute.id)
  // What is shown first is the side, where it has an answer of its own.
  const apart = schoolRow(dispute.id, { side })
  const shown = picked ?? (rowValue(plan.rows, apart) === null ? null : apart)
  const scope = scopes.find((one) => one.row === shown) ?? scopes[0]
  const { row } = scope
  const yours = rowValue(plan.rows, row)
  const usual = schoolFor(plan, dispute.id, side)
  const settings = dispute.settings.flatMap((means) => lookup(model).byMeaning.get(means) ?? [])
  const idle = settings.flatMap((setting) => state?.idle[setting.id] ?? [])
  return (
    <details className="border bg-sheet">
      <summary className="min-h-11 cursor-pointer px-3 py-2">
        <span className="font-semibold">{dispute.question}</span>{' '}
        <span className="text-small text-silt">
          {dispute.schools.find((one) => one.id === usual)?.name ?? 'not said'} ·{' '}
          {settings.map((setting) => showValue(setting.domain, state?.values[setting.id])).join(', ')}
          {idle.length > 0 && <b className="font-semibold text-lichen"> · does nothing here</b>}
        </span>
      </summary>
      <div className="grid gap-2 border-t px-3 py-2.5">
        {idle.length > 0 && <p className="text-small text-lichen">{idle.join(' ')}</p>}
        {settings.map((setting) => (
          <BaseValue key={setting.id} setting={setting} />
        ))}
        <ScopeChoice
          plan={plan}
          scopes={scopes}
          chosen={scope}
          onChoose={setPicked}
          onClear={() => desk.set({ [row]: null })}
        />
        <div role="radiogroup" aria-label={dispute.question} className="grid gap-1.5">
          {dispute.schools.map((school) => (
            <label key={school.id} className="grid cursor-pointer grid-cols-[18px_1fr] gap-1.5">
              <input
                type="radio"
                name={row}
                checked={school.id === yours}
                onChange={() => desk.set({ [row]: school.id })}
                className="mt-1 size-4 accent-brine"
              />
              <span>
                <b className="font-semibold">{school.name}.</b> {school.reason}
              </span>
            </label>
          ))}
        </div>
        {yours !== null && <DoneSo rows={[row, ...settings.flatMap(scope.rowsOf)]} />}
      </div>
    </details>
  )
}

/** What is still set otherwise than the answer has it, in the rows where that shows; each with its step. */
function DoneSo({ rows }: { rows: readonly RowId[] }) {
  const desk = useDesk()
  const findings = useFindings()
  const { model } = desk.start
  const open = (findings ?? []).filter(
    ({ check, places }) => check === 'against-school' && places.some(({ row }) => rows.includes(row)),
  )
  const mends = open.flatMap((finding) => finding.mends)
  if (findings === null) return null
  if (open.length === 0) return <p className="text-small text-samphire">Nothing to change for it.</p>
  return (
    <div role="group" aria-label="To do it so" className="border-l-2 border-pan pl-2">
      {open.map(({ title }) => (
        <p key={title}>{title}.</p>
      ))}
      {mends.map((mend) => (
        <p key={mend.label}>
          <Offer onClick={() => desk.applyStep({ ...mend.step, id: desk.newId() })}>
            {mend.label}: {describeStep(model, mend.step)}
          </Offer>
        </p>
      ))}
    </div>
  )
}

/** A setting of base on this side, in its own words. */
function BaseValue({ setting }: { setting: Setting }) {
  const desk = useDesk()
  const plan = usePlan()
  const side = useDeskPart('side')
  const { model } = desk.start
  const row = baseRow(plan.rows, setting, defaultWhereabouts(model, side))
  return (
    <div className="grid grid-cols-[1fr_150px] items-start gap-2">
      <p className="leading-tight">
        {setting.label}
        <span className="block text-small text-silt">
          {setting.means === null ? '' : commonSettings.get(setting.means)?.plain}
        </span>
      </p>
      <ValueField
        setting={setting}
        label={`${setting.label} in base`}
        value={rowValue(plan.rows, row)}
        inherits={showValue(setting.domain, setting.factory)}
        onKeep={(value) => desk.set({ [row]: value })}
        className="w-full"
      />
    </div>
  )
}
