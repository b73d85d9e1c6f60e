import type { DetailsFound, Read } from './found';
import type { Part } from './lines';

/** Addresses of the net in a text: of mail, of pages, and by which a client is called on social networks. */

const MAIL = /[\p{L}\d._%+-]+@[\p{L}\d-]+(?:\.[\p{L}\d-]+)*\.[\p{L}]{2,}/u;
const WEB =
  /(?:https?:\/\/|www\.)[^\s,;<>|]+|(?<![@\p{L}\d.-])[\p{L}\d-]+(?:\.[\p{L}\d-]+)*\.(?:[a-z]{2,3}|example|info|shop|studio|store|online|design|agency|company|works|coffee|bike)(?:\/[^\s,;<>|]*)?(?![\p{L}\d@])/iu;
const SOCIAL =
  /(?:https?:\/\/)?(?:www\.)?(?:instagram|facebook|tiktok|x|twitter|youtube|linkedin|threads|pinterest)\.com\/(?:in\/|company\/)?@?([\w.-]+)\/?/i;
const HANDLE = /(?<![\p{L}\d.])@[\w.]{2,30}(?![\w@])/u;
/** Short forms with full stops, as of companies, that look like the name of a page. */
const NOT_WEB = /^(?:\p{L}\.)+\p{L}{1,2}\.?$/u;

/** A page as it is printed: what a browser puts before it, and capitals that are only there for the look, are left out. */
function pageOf(typed: string): string {
  const page = typed.replace(/^https?:\/\//i, '').replace(/[/.]+$/, '');
  return page === page.toUpperCase() ? page.toLowerCase() : page;
}

/** Takes them out of the parts; gives the addresses of mail. */
export function takeOnline(parts: Part[], firm: DetailsFound['firm']): Read[] {
  const mails: Read[] = [];
  for (const part of parts) {
    const read = (value: string): Read => ({ value, from: part.from });
    const cut = (value: string): void => {
      part.text = part.text.replace(value, ' ').replace(/\s+/g, ' ').trim();
    };
    for (let mail = MAIL.exec(part.text); mail; mail = MAIL.exec(part.text)) {
      mails.push(read(mail[0]));
      cut(mail[0]);
    }
    const social = SOCIAL.exec(part.text);
    const name = part.label === 'social' ? /^@?([\w.]{2,30})$/.exec(part.text)?.[1] : social?.[1];
    const handle = name ? `@${name}` : HANDLE.exec(part.text)?.[0];
    if (handle) {
      if (!firm.handle) firm.handle = read(handle);
      else if (!firm.secondHandle && firm.handle.value.toLowerCase() !== handle.toLowerCase())
        firm.secondHandle = read(handle);
      cut(social?.[0] ?? (name ? part.text : handle));
    }
    const web = WEB.exec(part.text);
    if (web && !NOT_WEB.test(web[0])) {
      if (!firm.web) firm.web = read(pageOf(web[0]));
      cut(web[0]);
    }
  }
  return mails;
}
