import { typingCheck } from '../plain-words';

export const hyphenForDash = typingCheck(
  {
    id: 'hyphen-for-dash',
    name: 'A hyphen where a dash belongs',
    protects: 'A hyphen between words with space around it is too short for the pause it marks.',
  },
  /(?<=\S) -{1,2} (?=\S)/g,
  'Has a hyphen where a dash belongs',
  'Make it a dash',
  (text) => text.replace(/(?<=\S) -{1,2} (?=\S)/g, ' – '),
);
