import { useState } from 'react';
import { useBench } from '../../bench/bench';
import { addWords } from './add';

/** Content first: all of a face's words, one line an entry, Enter for the next. */
export function TypeWords() {
  const bench = useBench();
  const [text, setText] = useState('');
  return (
    <form
      className="mb-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() === '') return;
        addWords(bench, text.trim());
        setText('');
      }}
    >
      <input
        className="input input-sm w-full text-[14px]"
        aria-label="Type text"
        placeholder="Type text, Enter for the next"
        maxLength={2000}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
    </form>
  );
}
