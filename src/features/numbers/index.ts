/** The page of numbers: every figure with formula and inputs, given what the plan knows. */
export { NumbersPage } from './numbers-page'
