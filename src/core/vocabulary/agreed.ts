/** What all who speak of it have alike, with the reason. */
export const agreedValues: readonly { means: string; value: string | boolean; because: string }[] = [
  {
    means: 'focus.lamp',
    value: false,
    because: 'The lamp dazzles people and gives you away, and AF manages without it.',
  },
  {
    means: 'audio.windFilter',
    value: false,
    because: 'It thins voices too. Outdoors a windshield on the microphone does more.',
  },
  {
    means: 'focus.autoSwitch',
    value: false,
    because: 'You want to choose single or continuous AF yourself.',
  },
]
