'use client'

import type { Finding } from '@/core/checks/finding'
import { FindingList } from '@/features/desk/finding-card'

/** What is found in the base, the menus and the bodies: in no bank, and on no key. */
export function OutsideFindings({ findings }: { findings: readonly Finding[] }) {
  const outside = findings.filter((finding) => !/^(key|bank)\//.test(finding.row))
  const [tidies, worse] = [true, false].map((tidy) =>
    outside.filter((finding) => (finding.severity === 'tidies') === tidy),
  )
  if (outside.length === 0) return null
  return (
    <section aria-labelledby="outside" className="grid min-w-0 content-start gap-3">
      <h2 id="outside" className="mt-1 font-semibold">
        In the base and elsewhere
      </h2>
      <FindingList findings={worse ?? []} />
      {tidies && tidies.length > 0 && (
        <details>
          <summary className="min-h-11 cursor-pointer py-2 text-brine">{tidies.length} to tidy</summary>
          <div className="grid gap-3">
            <FindingList findings={tidies} />
          </div>
        </details>
      )}
    </section>
  )
}
