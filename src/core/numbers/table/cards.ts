import { defined } from '../form'
import { inputs } from './inputs'

const { card, file, bitrate } = inputs

const decimal = 'a gigabyte as cards are marked: 1000 MB'

/** What cards hold, how fast, and what a day comes to. */
export const cardNumbers = [
  defined({
    id: 'card-frames',
    name: 'Pictures on a card',
    group: 'cards',
    asks: 'How many pictures does the card hold?',
    also: 'frames capacity memory left',
    formula: 'frames = card · 1000 / (file · (1 − saved))',
    source: `division; ${decimal}`,
    limits:
      'Compressed files hang on what is photographed: noise and fine detail make them larger. The camera’s own counter reckons with the largest.',
    inputs: {
      card,
      file,
      saved: {
        name: 'Saved by compression',
        quantity: 'percent',
        usual: ['0 %', 'the file size has it already'],
      },
    },
    results: { frames: { name: 'Pictures', quantity: 'count' } },
    filled: ['{card} · 1000 / ({file} · (1 − {saved})) = {frames}'],
    impossible: ({ saved }) =>
      saved >= 100 ? 'Nothing saves the whole file: write what is saved, below 100 %.' : null,
    work: ({ card: size, file: one, saved }) => ({
      frames: Math.floor((size * 1000) / (one * (1 - saved / 100)) + 1e-6),
    }),
    verdict: ({ frames: [least] }) =>
      least < 1 ? { words: ['Not one picture fits.'], fits: false } : { words: [], fits: null },
  }),
  defined({
    id: 'film-minutes',
    name: 'Film on a card',
    group: 'cards',
    asks: 'How long can be filmed on the card?',
    also: 'recording time minutes footage capacity',
    formula: 'minutes = card · 8000 / (bitrate · 60)',
    source: `eight bits a byte; ${decimal}`,
    limits: 'Sound adds one to five in a hundred. A variable bitrate stays below its figure on calm scenes.',
    inputs: { card, bitrate },
    results: {
      minutes: { name: 'Film', quantity: 'minutes' },
      hourly: { name: 'An hour takes', quantity: 'gigabytes' },
    },
    filled: ['{card} · 8000 / ({bitrate} · 60) = {minutes}', '{bitrate} · 3600 / 8000 = {hourly}'],
    work: ({ card: size, bitrate: bits }) => ({ minutes: (size * 8000) / (bits * 60), hourly: bits * 0.45 }),
  }),
  defined({
    id: 'film-size',
    name: 'What a film takes',
    group: 'cards',
    asks: 'How much does so much film take?',
    also: 'footage file size gigabytes',
    formula: 'GB = minutes · 60 · bitrate / 8000',
    source: `eight bits a byte; ${decimal}`,
    limits: 'Without sound, which adds one to five in a hundred.',
    inputs: { minutes: { name: 'Film', quantity: 'minutes' }, bitrate },
    results: { size: { name: 'It takes', quantity: 'gigabytes' } },
    filled: ['{minutes} · 60 · {bitrate} / 8000 = {size}'],
    work: ({ minutes, bitrate: bits }) => ({ size: (minutes * 60 * bits) / 8000 }),
  }),
  defined({
    id: 'data-rate',
    name: 'Mbit/s and MB/s',
    group: 'cards',
    asks: 'How many megabytes a second is a bitrate?',
    also: 'megabit megabyte convert factor of eight throughput',
    formula: 'MB/s = Mbit/s / 8',
    source: 'eight bits a byte',
    limits:
      'Films are told in Mbit/s, cards in MB/s; the large figure on a card is usually its reading rate.',
    inputs: { bitrate: { name: 'Rate', quantity: 'megabitsPerSecond', from: 'film.bitrate' } },
    results: {
      bytes: { name: 'A card must keep up', quantity: 'megabytesPerSecond' },
      bits: { name: 'As a bitrate', quantity: 'megabitsPerSecond' },
      hourly: { name: 'An hour takes', quantity: 'gigabytes' },
    },
    filled: ['{bits} / 8 = {bytes}', '{bytes} · 3.6 = {hourly}'],
    work: ({ bitrate: bits }) => ({ bytes: bits / 8, bits, hourly: bits * 0.45 }),
  }),
  defined({
    id: 'film-card',
    name: 'Whether a card keeps up with a film',
    group: 'cards',
    asks: 'Can the card take this format?',
    also: 'write speed video dropped recording stops',
    formula: 'needed MB/s = bitrate / 8; spare = card / needed',
    source: 'eight bits a byte; the card is written to at the slower of card and slot',
    limits: 'With the rate that a card keeps up, not the one it starts with. A full or worn card is slower.',
    inputs: {
      bitrate,
      write: inputs.write,
      slot: inputs.slot,
    },
    results: {
      needed: { name: 'Needed', quantity: 'megabytesPerSecond' },
      spare: { name: 'The card has', quantity: 'times' },
    },
    filled: ['{bitrate} / 8 = {needed}', 'the slower of {write} and {slot}, / {needed} = {spare}'],
    work: ({ bitrate: bits, write, slot }) => ({
      needed: bits / 8,
      spare: (Math.min(write, slot || Infinity) * 8) / bits,
    }),
    verdict: ({ spare: [least, most] }) =>
      most < 1
        ? { words: ['The card is too slow: the recording stops.'], fits: false }
        : least < 1.25
          ? { words: ['Too near: a full or worn card falls below it, and the recording stops.'], fits: false }
          : { words: ['The card keeps up.'], fits: true },
  }),
  defined({
    id: 'day-cards',
    name: 'A day’s data',
    group: 'cards',
    asks: 'How many cards does the day need, and how much is to be kept and sorted?',
    also: 'backup copies storage culling sorting gigabytes',
    formula: 'GB = frames · file / 1000 + minutes · 60 · bitrate / 8000; cards = GB / card, rounded up',
    source: `division; ${decimal}`,
    limits: 'Nothing is deleted on the way. Sorting is one look at each picture.',
    inputs: {
      frames: { name: 'Pictures a day', quantity: 'count', from: 'work.pictures' },
      file,
      minutes: {
        name: 'Film a day',
        quantity: 'minutes',
        from: 'work.filmed',
        usual: ['0 min', 'no film'],
      },
      bitrate: { ...bitrate, usual: ['100 Mbit/s', 'a middling format'] },
      card: { ...card, aboveZero: true },
      copies: {
        name: 'Copies kept',
        quantity: 'count',
        usual: ['2', 'one of them elsewhere'],
        aboveZero: true,
      },
      look: { name: 'A look at each', quantity: 'seconds', usual: ['2 s', 'our own reckoning'] },
    },
    results: {
      data: { name: 'A day', quantity: 'gigabytes' },
      cards: { name: 'Cards', quantity: 'count' },
      kept: { name: 'To be kept', quantity: 'gigabytes' },
      sorting: { name: 'To sort', quantity: 'minutes' },
    },
    filled: [
      '{frames} · {file} / 1000 + {minutes} · 60 · {bitrate} / 8000 = {data}',
      '{data} / {card}, rounded up = {cards}',
      '{data} · {copies} = {kept}; {frames} · {look} = {sorting}',
    ],
    work({ frames, file: one, minutes, bitrate: bits, card: size, copies, look }) {
      const data = (frames * one) / 1000 + (minutes * 60 * bits) / 8000
      return {
        data,
        cards: Math.ceil(data / size - 1e-9),
        kept: data * copies,
        sorting: (frames * look) / 60,
      }
    },
  }),
  defined({
    id: 'two-cards',
    name: 'Two cards in two slots',
    group: 'cards',
    asks: 'What do two cards hold, and how fast, by the role of the second slot?',
    also: 'overflow mirror backup split slot role unequal',
    formula:
      'overflow: (A + B) · 1000 / file; mirror: the smaller · 1000 / file, at the slower; split: what fills first of A · 1000 / file and B · 1000 / second file',
    source: `each picture is written whole before the next; ${decimal}`,
    limits:
      'Which card playback and deletion act on is the camera’s own: usually the first, so that what lies on the second stays.',
    choices: {
      role: {
        name: 'Role of the second slot',
        of: { overflow: 'Overflow', mirror: 'Mirror', split: 'RAW on the first, processed on the second' },
        from: 'slot.role',
      },
    },
    inputs: {
      a: { name: 'First card', quantity: 'gigabytes', from: 'card.size', single: true },
      b: { name: 'Second card', quantity: 'gigabytes', from: 'card.size.second', single: true },
      fast: { name: 'First card keeps up', quantity: 'megabytesPerSecond', from: 'card.rate' },
      slow: { name: 'Second card keeps up', quantity: 'megabytesPerSecond', from: 'card.rate.second' },
      file,
      small: {
        name: 'Its second file, when split',
        quantity: 'megabytes',
        usual: ['8-14 MB', 'a large JPEG'],
      },
    },
    results: {
      frames: { name: 'Pictures', quantity: 'count' },
      pace: { name: 'Kept up', quantity: 'perSecond' },
      onFirst: { name: 'The first holds', quantity: 'count' },
      onSecond: { name: 'The second holds', quantity: 'count' },
    },
    filled: ['{a}, {b} / {file} = {frames}', '{fast}, {slow} / {file} = {pace}'],
    work({ a, b, fast, slow, file: one, small }, { role }) {
      const pictures = (size: number, each: number) => Math.floor((size * 1000) / each + 1e-6)
      const [onFirst, onSecond] = [pictures(a, one), pictures(b, role === 'split' ? small : one)]
      const both = { onFirst, onSecond }
      if (role === 'overflow') return { frames: onFirst + onSecond, pace: fast / one, ...both }
      const pace = Math.min(fast / one, slow / (role === 'split' ? small : one))
      return { frames: Math.min(onFirst, onSecond), pace, ...both }
    },
    verdict: ({ onFirst, onSecond }, { a, b, fast, slow }, { role }) => {
      const words: string[] = []
      if (role === 'mirror' && a[0] !== b[0])
        words.push('The smaller card ends it: the rest of the larger one stays empty.')
      if (role === 'mirror' && fast[0] !== slow[0]) words.push('The slower card sets the pace.')
      if (role === 'overflow') words.push('No second copy: a card that fails takes its pictures with it.')
      if (role === 'overflow' && slow[1] < fast[0])
        words.push('Once the first is full, the second sets the pace, and it is slower.')
      if (role === 'split' && onFirst[1] < onSecond[0])
        words.push('The first fills first: then the camera stops, or puts both on the second.')
      if (role === 'split' && onSecond[1] < onFirst[0])
        words.push('The second fills first: then the camera stops, or puts both on the first.')
      return { words, fits: null }
    },
  }),
  defined({
    id: 'file-numbers',
    name: 'File numbers',
    group: 'cards',
    asks: 'When do file names come again?',
    also: 'numbering wrap 9999 prefix rename folder',
    formula: 'days = (9999 − last number) / pictures a day; folders = pictures / files a folder, rounded up',
    source: 'names have four digits: after 9999 they begin again at 0001',
    limits: 'Two bodies with one prefix give the same name long before: give each its own.',
    inputs: {
      last: { name: 'Last number', quantity: 'count' },
      daily: { name: 'Pictures a day', quantity: 'count', aboveZero: true },
      folder: {
        name: 'Files a folder',
        quantity: 'count',
        from: 'files.perFolder',
        usual: ['999', 'usual'],
        aboveZero: true,
      },
    },
    results: {
      left: { name: 'Left', quantity: 'count' },
      days: { name: 'Whole days', quantity: 'count' },
      folders: { name: 'Folders a day', quantity: 'count' },
    },
    filled: [
      '9999 − {last} = {left}',
      '{left} / {daily} = {days}',
      '{daily} / {folder}, rounded up = {folders}',
    ],
    impossible: ({ last }) => (last > 9999 ? 'The last number has four digits: it is at most 9999.' : null),
    work: ({ last, daily, folder }) => ({
      left: 9999 - last,
      days: Math.floor((9999 - last) / daily),
      folders: Math.ceil(daily / folder),
    }),
    verdict: ({ days: [least] }) =>
      least < 1
        ? {
            words: [
              'The names come again within the day: rename while copying, or give the day a folder of its own.',
            ],
            fits: false,
          }
        : { words: [], fits: null },
  }),
  defined({
    id: 'copy-time',
    name: 'Time to copy',
    group: 'cards',
    asks: 'How long does copying take?',
    also: 'backup reader transfer ingest',
    formula: 'minutes = GB · 1000 / rate / 60',
    source: 'division',
    limits: 'At the slowest of card, reader and disk; a check of the copy takes as long again.',
    inputs: {
      data: { name: 'To copy', quantity: 'gigabytes' },
      reader: { name: 'Slowest of reader and disk', quantity: 'megabytesPerSecond' },
    },
    results: { minutes: { name: 'It takes', quantity: 'minutes' } },
    filled: ['{data} · 1000 / {reader} / 60 = {minutes}'],
    work: ({ data, reader }) => ({ minutes: (data * 1000) / reader / 60 }),
  }),
]
