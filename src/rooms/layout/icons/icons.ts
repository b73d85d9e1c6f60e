/** The icons a small business needs, from Bootstrap Icons (MIT): drawings of 16 by 16 units, no marks of other firms. */
const FILES = import.meta.glob<string>(
  '/node_modules/bootstrap-icons/icons/{telephone,telephone-fill,phone,phone-fill,printer,envelope,envelope-fill,at,globe,globe2,link-45deg,geo-alt,geo-alt-fill,pin-map,house,house-fill,shop,building,signpost-2,map,compass,clock,clock-fill,calendar-event,calendar3,person,person-fill,people-fill,person-badge,chat,chat-dots,chat-square-text,broadcast,hash,share,camera,image,star,star-fill,heart,heart-fill,check-circle,award,gift,cup-hot,flower1,flower2,flower3,tree,tree-fill,droplet,sun,moon,umbrella,truck,bicycle,car-front,train-front,bus-front,airplane,cart,bag,basket,credit-card,cash-coin,tag,percent,tools,wrench,hammer,scissors,brush,palette,pencil,book,newspaper,briefcase,mortarboard,hospital,heart-pulse,music-note-beamed,mic,film,headphones,wifi,lightning,recycle,arrow-right,arrow-right-circle,check2,info-circle,question-circle,key,shield-check}.svg',
  { query: '?raw', import: 'default', eager: true },
);

/** Other words that people look for, by file name. */
const WORDS: Readonly<Record<string, string>> = {
  telephone: 'phone landline call number',
  'telephone-fill': 'phone landline call number',
  phone: 'mobile cell handset',
  'phone-fill': 'mobile cell handset',
  printer: 'fax print',
  envelope: 'mail email letter post',
  'envelope-fill': 'mail email letter post',
  at: 'mail email handle social',
  globe: 'web website internet world',
  globe2: 'web website internet world',
  'link-45deg': 'web link address',
  'geo-alt': 'place address location pin where',
  'geo-alt-fill': 'place address location pin where',
  'pin-map': 'place address location',
  house: 'home address',
  'house-fill': 'home address',
  shop: 'store premises',
  building: 'office premises',
  'signpost-2': 'directions way',
  map: 'directions place',
  clock: 'hours opening time',
  'clock-fill': 'hours opening time',
  'calendar-event': 'date day open',
  calendar3: 'date month open',
  person: 'contact name',
  'person-fill': 'contact name',
  'people-fill': 'team staff',
  'person-badge': 'staff name',
  chat: 'message social talk',
  'chat-dots': 'message social talk',
  'chat-square-text': 'message social talk review',
  broadcast: 'social live channel',
  hash: 'social handle tag',
  share: 'social',
  camera: 'photo social picture',
  image: 'photo picture gallery',
  star: 'rating review',
  'cup-hot': 'tea coffee cafe',
  flower1: 'garden plant nursery florist',
  flower2: 'garden plant nursery florist',
  flower3: 'garden plant nursery florist',
  tree: 'garden plant',
  'tree-fill': 'garden plant',
  droplet: 'water',
  truck: 'delivery van',
  cart: 'buy shop',
  bag: 'buy shop',
  'credit-card': 'pay',
  'cash-coin': 'pay price',
  tag: 'price offer',
  percent: 'offer sale',
  mortarboard: 'school study',
  hospital: 'health doctor',
  'heart-pulse': 'health doctor',
  wifi: 'internet',
};

export interface Icon {
  name: string;
  svg: string;
  /** All that it is found by. */
  words: string;
}

export const ICONS: readonly Icon[] = Object.entries(FILES).map(([file, svg]) => {
  const id = file.slice(file.lastIndexOf('/') + 1, -4);
  const name = id
    .replace(/-(alt|45deg)/, '')
    .replace(/-fill/, ', solid')
    .replaceAll('-', ' ')
    .replace(/\s?\d+$/, '');
  return { name, svg, words: `${id} ${name} ${WORDS[id] ?? ''}` };
});

/** The icons that all the typed words point to. */
export function findIcons(text: string): readonly Icon[] {
  const wanted = text.toLowerCase().split(/\s+/).filter(Boolean);
  // A word that is meant comes before one that only holds it: a phone before headphones.
  const isMeant = (icon: Icon): boolean =>
    wanted.every((word) => icon.words.split(/[\s-]/).some((own) => own.startsWith(word)));
  const found = ICONS.filter((icon) => wanted.every((word) => icon.words.includes(word)));
  return [...found].sort((a, b) => Number(isMeant(b)) - Number(isMeant(a)));
}
