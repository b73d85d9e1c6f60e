import { typingCheck } from '../plain-words';

export const doubleSpace = typingCheck(
  {
    id: 'double-space',
    name: 'Two spaces where one belongs',
    protects: 'A hole in the line that everybody sees once it is printed.',
  },
  /(?<=\S) {2,}(?=\S)/g,
  'More than one space between words',
  'Leave one space',
  (text) => text.replace(/(?<=\S) {2,}(?=\S)/g, ' '),
);
