import { expose } from 'comlink'
import loadHighs from 'highs'
import { instanceOf, type Question } from '@/core/suggest/instance'
import { solveWith, type Solver } from '@/core/suggest/solver'
import { tradeCurve, type TradeNews } from '@/core/suggest/trade'

let loaded: Promise<Solver> | null = null

/** The first solve pays for getting the solver ready; a program of one column pays it before anything is asked. */
async function ready(): Promise<Solver> {
  loaded ??= loadHighs()
    .catch(couldNotBeLoaded)
    .then((highs) => {
      const solve = solveWith(highs)
      const rows = [{ columns: [0], factors: [1], least: 1, most: 1 }]
      solve({ costs: [1], whole: 1, rows, constant: 0 }, { seconds: 1 })
      return solve
    })
  return loaded
}

/** Without a connection it is there only if this device has all of the release. What failed is tried again next time. */
function couldNotBeLoaded(): never {
  loaded = null
  throw new Error('it could not be loaded; it needs the server once')
}

const api = {
  async warm(): Promise<void> {
    await ready()
  },
  /** Works a question out; what is found is told on the way. */
  async suggest(question: Question, seconds: number, tell: (news: TradeNews) => void): Promise<void> {
    tradeCurve(instanceOf(question), await ready(), seconds, tell)
  },
}

/** What the page calls. */
export type SuggestWorker = typeof api

expose(api)
