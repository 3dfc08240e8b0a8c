import { fNumber, focalRange } from './spelled'
import { factTable } from './facts'
import { impossible, missing, type InventoryFault } from './fault'
import { lensesIn } from './lenses'
import { factRow, type Inventory, type Library } from './rows'

/** What is wrong or unsaid of lenses: what they lack to be reckoned with, apertures that stand reversed. */
export function lensFaults(library: Library, inventory: Inventory): InventoryFault[] {
  return lensesIn(library, inventory).flatMap(({ id, name, lens, lacks }): InventoryFault[] => {
    const row = (fact: string) => factRow('lens', id, fact)
    if (!lens) {
      const labels = factTable.lens.filter((fact) => lacks.includes(fact.id)).map(({ label }) => label)
      return [missing(`${name} is not reckoned with yet`, `Say first: ${labels.join(', ')}.`, row('name'))]
    }
    const { widest, widestLong = widest, narrowest, narrowestLong = narrowest, focalMm } = lens
    const isZoom = focalMm[0] !== focalMm[1]
    const [short, long] = focalRange(String(inventory.rows[row('focal')] ?? focalMm.join('-')))
    return [
      ...(fNumber(widestLong) < fNumber(widest)
        ? [
            impossible(
              `${name}: wider at its long end`,
              `${widest} at ${short} mm and ${widestLong} at ${long} mm: a zoom is never faster at its long end.`,
              row('widestLong'),
            ),
          ]
        : []),
      ...(!isZoom && lens.widestLong !== undefined && lens.widestLong !== widest
        ? [
            impossible(
              `${name}: two widest apertures`,
              `It has one focal length, so it has one widest aperture.`,
              row('widestLong'),
            ),
          ]
        : []),
      ...(narrowest !== undefined && fNumber(narrowest) < fNumber(widest)
        ? [
            impossible(
              `${name}: apertures stand reversed`,
              `Its narrowest, ${narrowest}, is wider than its widest, ${widest}.`,
              row('narrowest'),
            ),
          ]
        : []),
      ...(narrowestLong !== undefined && fNumber(narrowestLong) < fNumber(widestLong)
        ? [
            impossible(
              `${name}: apertures stand reversed at the long end`,
              `Its narrowest, ${narrowestLong}, is wider than its widest, ${widestLong}.`,
              row('narrowestLong'),
            ),
          ]
        : []),
      ...(library.models.some(({ maker }) => maker === lens.fits)
        ? []
        : [
            missing(
              `${name} fits no body that is known`,
              `No model is by ${lens.fits}, so no plan reckons with it.`,
              row('fits'),
            ),
          ]),
    ]
  })
}
