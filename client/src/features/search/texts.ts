import { catalogue } from '@/language/language';

export const texts = catalogue({
  search: 'Search',
  where: 'Everything on this device',
  label: 'Search shoots, spots, setups, looks, log and kit',
  begin: 'Type a word: a name, a place, a tag, something from a note.',
  nothing: (text: string) => `Nothing here holds “${text}”. Try one word of it.`,
  count: (count: number) => (count === 1 ? 'One thing' : `${count} things`),
  kinds: {
    shoot: 'Shoots',
    spot: 'Spots',
    setup: 'Setups',
    look: 'Looks',
    note: 'Notes in the log',
    photo: 'Photos',
    frame: 'Frames',
    reading: 'Readings',
    kit: 'Kit',
  },
  open: (title: string) => `Open ${title}`,
});
