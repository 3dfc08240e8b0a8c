'use client'

import { sheetForms } from '@/core/sheets/catalogue'
import { papers, type PaperId } from '@/core/sheets/page/page'
import { Check } from '@/ui/check'
import { NamedSelect, Select } from '@/ui/select'
import { FileButtons } from './file-buttons'
import { RememberLines } from './remember-lines'
import { PagePicture } from './page-picture'
import { TakePanel } from './take-panel'
import { eachBody, useSheets, type SheetsKnown, type SheetsStationKnown } from './use-sheets'

/** The sheets of a plan: which, of what, for whom, with which parts; its pages as they are printed; its files. */
export function SheetsStation({ known }: { known: SheetsKnown }) {
  const station = useSheets(known)
  return (
    <main className="grid gap-5 px-5 py-4 lg:grid-cols-[310px_minmax(0,1fr)] lg:grid-rows-[auto_1fr]">
      <div className="min-w-0">
        <SheetList station={station} />
      </div>
      <section aria-label={station.form.name} className="min-w-0 lg:row-span-2">
        <h1 className="font-head text-title font-semibold">{station.form.name}</h1>
        <p className="text-silt">{station.form.purpose}</p>
        <Choices station={station} />
        <FileButtons station={station} />
        <Pages station={station} />
      </section>
      <TakePanel />
    </main>
  )
}

function SheetList({ station: { id, choose } }: { station: SheetsStationKnown }) {
  return (
    <>
      <Select
        label="Sheet"
        value={id}
        options={sheetForms.map((one) => [one.id, one.name] as const)}
        onPick={choose}
        className="min-h-11 w-full rounded-md border bg-sheet px-2 lg:hidden"
      />
      <ul aria-label="Sheets" className="border-t max-lg:hidden">
        {sheetForms.map((one) => (
          <li key={one.id}>
            <button
              type="button"
              aria-pressed={one.id === id}
              onClick={() => choose(one.id)}
              className="w-full border-b px-2.5 py-1.5 text-left hover:text-brine aria-pressed:bg-sheet aria-pressed:shadow-[inset_3px_0_0_var(--brine)]"
            >
              <span className="font-semibold">{one.name}</span>
              <span className="block text-small leading-snug text-silt">{one.purpose}</span>
            </button>
          </li>
        ))}
      </ul>
    </>
  )
}

/** Of what, for which body, against what, on which paper, and with which parts. */
function Choices({ station }: { station: SheetsStationKnown }) {
  const { id, form, tag, bodies, of, revisions, against, againstChoices, paper, without } = station
  return (
    <div className="mt-3 flex flex-wrap items-center gap-x-5 gap-y-2">
      <NamedSelect
        label="Of"
        value={of}
        options={[
          ['now', 'the plan as it stands'],
          ...revisions.map(
            ({ number, note }) =>
              [String(number), `Revision ${number}${note === '' ? '' : `, ${note}`}`] as const,
          ),
        ]}
        onPick={station.chooseOf}
      />
      {id !== 'public' && bodies.length > 0 && (
        <NamedSelect
          label="For"
          value={tag}
          options={[
            ['', 'no body in particular'],
            ...(bodies.length > 1 ? [[eachBody, 'each body, one after the other'] as const] : []),
            ...bodies.map((one) => [one.tag, one.name] as const),
          ]}
          onPick={station.chooseBody}
        />
      )}
      {id === 'difference' && (
        <NamedSelect
          label="Against"
          value={against}
          options={[['', 'choose …'] as const, ...againstChoices]}
          onPick={station.chooseAgainst}
        />
      )}
      <NamedSelect<PaperId>
        label="Paper"
        value={paper}
        options={Object.values(papers).map((one) => [one.id, one.name] as const)}
        onPick={station.setPaper}
      />
      {form.parts.length > 1 && (
        <details className="basis-full">
          <summary className="cursor-pointer text-small font-semibold text-brine">
            What is on it{without.length > 0 && `: ${without.length} left out`}
          </summary>
          <div className="mt-2 flex flex-wrap gap-x-5 gap-y-1.5">
            {form.parts.map((part) => (
              <Check
                key={part.id}
                checked={!without.includes(part.id)}
                onChange={() => station.togglePart(part.id)}
              >
                {part.name}
              </Check>
            ))}
          </div>
          {(id === 'pocket' || id === 'full') && <RememberLines />}
        </details>
      )}
    </div>
  )
}

/** Every page as it is printed, one under the other. */
function Pages({
  station: { pages, form, paper, leftOut, refusal, isAnew },
}: {
  station: SheetsStationKnown
}) {
  const isSmall = paper === 'a6' || paper === 'card'
  return (
    <>
      {refusal !== null && (
        <p role="alert" className="mt-3 text-rust">
          {refusal}
        </p>
      )}
      {leftOut > 0 && (
        <p className="mt-3 text-lichen">
          ▲ {leftOut} rows of this revision are of a former edition of the camera’s definition, and left out.
        </p>
      )}
      {pages === null ? (
        <p className="mt-4 text-silt">Being composed …</p>
      ) : (
        <ol
          aria-label="Pages"
          aria-busy={isAnew}
          className={`mt-4 grid gap-4 transition-opacity ${isAnew ? 'opacity-60' : ''} ${isSmall ? 'sm:grid-cols-2' : 'mx-auto max-w-[820px]'}`}
        >
          {pages.map((page, i) => (
            <li key={i}>
              <PagePicture page={page} label={`${form.name}, page ${i + 1} of ${pages.length}`} />
            </li>
          ))}
        </ol>
      )}
    </>
  )
}
