import { ladderSteps } from '../model/domain'
import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import type { BodySteps, StepName } from '../numbers/form'
import { usualSteps } from '../numbers/reckon'

/** The steps of a body, where it has its own; the usual ones where it has no such setting. */
export function stepsOf(model: BodyModel): BodySteps {
  const own = (name: StepName, means: string) => {
    const domain = lookup(model).byMeaning.get(means)?.domain
    return domain?.kind === 'ladder' ? ladderSteps(domain) : usualSteps[name]
  }
  return {
    shutter: own('shutter', 'exposure.shutter'),
    aperture: own('aperture', 'exposure.aperture'),
    iso: own('iso', 'exposure.iso'),
  }
}
