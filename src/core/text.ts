/** Characters no text may have: control characters but the line feed, and halves of surrogate pairs. */
export const unkept = /[^\P{Cc}\n]|\p{Cs}/u
