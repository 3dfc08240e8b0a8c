/** Cards in a reader, as far as the browser lets a page reach them: listed, read, written. */
export { CardContents } from './card-contents'
export { BeforeWriting } from './prepare-card'
export { CardPage } from './card-page'
export { CardWays } from './card-ways'
export { chosenFiles, digestOf, droppedFiles, type GivenFile } from './card-folder'
export { sendAsItIs } from './send'
export { askOfCard, lookAtCard, useCard, type OpenCard } from './use-card'
export { writeToCard, type Writing } from './write-file'
