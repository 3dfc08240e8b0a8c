import { Check, CircleDashed, LoaderCircle, OctagonX } from 'lucide-react'
import { carryStages, stageNames, type CarryStage } from '@/core/camera/stages'
import type { Progress } from './progress'

/** What each stage does, in words. */
const stageWords: Readonly<Record<CarryStage, string>> = {
  preflight: 'model, firmware, card, battery, what will be overwritten',
  backup: 'the body’s own configuration is saved first',
  write: 'the configuration file is put on the card',
  load: 'the body reads the file',
  restart: 'what was read takes effect',
  readBack: 'the body is saved again',
  compare: 'every row sent against every row read back',
  handWork: 'what no file carries',
}

/** Every stage with what it did, or what it is for. */
export function Stages({ progress }: { progress: Progress | null }) {
  return (
    <ol aria-live="polite" className="mt-2 divide-y">
      {carryStages.map((stage) => {
        const done = progress?.done[stage]
        const refused = progress?.refused?.stage === stage
        const current = progress?.current === stage
        return (
          <li key={stage} className="grid grid-cols-[24px_110px_1fr] items-start gap-1 py-1.5">
            <span className="pt-0.5">
              {done !== undefined ? (
                <Check size={17} className="text-samphire" aria-label="done" />
              ) : refused ? (
                <OctagonX size={17} className="text-rust" aria-label="refused" />
              ) : current ? (
                <LoaderCircle
                  size={17}
                  className="animate-spin text-brine motion-reduce:animate-none"
                  aria-label="under way"
                />
              ) : (
                <CircleDashed size={17} className="text-silt" aria-label="to do" />
              )}
            </span>
            <span className="font-semibold">{stageNames[stage]}</span>
            <span className={done === undefined ? 'text-silt' : ''}>{done ?? stageWords[stage]}</span>
          </li>
        )
      })}
    </ol>
  )
}

/** The end of a transfer: the proof, and what is left to do by hand. */
export function Finished({ finished, name }: { finished: NonNullable<Progress['finished']>; name: string }) {
  return (
    <div className="mt-3 border-t-2 border-samphire pt-3">
      <p className="font-head text-title font-semibold text-samphire">
        Identical · {finished.compared} rows compared
      </p>
      {finished.handWork.length > 0 && (
        <>
          <h3 className="mt-2 font-semibold">Hand work on {name}: no file carries these</h3>
          <ul className="mt-1 grid gap-1">
            {finished.handWork.map((line) => (
              <li key={line.setting}>
                <b>{line.label}</b> <span className="font-mono text-small text-silt">{line.menu}</span>:{' '}
                {line.done ? (
                  `is ${line.wanted} already`
                ) : (
                  <>
                    set <b className="font-mono">{line.wanted}</b>; it is {line.now}
                  </>
                )}
              </li>
            ))}
          </ul>
        </>
      )}
      <p className="mt-2 font-mono text-small break-all text-silt">record {finished.record.slice(0, 16)}…</p>
    </div>
  )
}
