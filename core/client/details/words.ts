/** Words by which a line of a client's details is known for what it is; from memory, in the languages of the countries here. */

/** What makes a company of words: its legal form. */
export const LEGAL =
  /(?<![\p{L}\d])(ltd|limited|llp|llc|inc|incorporated|corp|plc|gmbh|ag|kg|ohg|ug|e\.?k|gbr|sarl|sas|eurl|b\.?v|n\.?v|s\.?r\.?l|s\.?p\.?a|s\.?l\.?u?|s\.?a\.? de c\.?v|bvba|e\.u|oyj?|ab|a\/s|aps|pty|sp\. z o\.?\s?o|s\.r\.o|lda|株式会社|有限会社)(?![\p{L}\d])/iu;

/** What a company often has in its name. */
export const COMPANY =
  /\b(ltd|limited|llp|llc|inc|incorporated|corp|co|company|plc|gmbh|ag|kg|ohg|ug|e\.?k|gbr|sarl|sas|sa|eurl|bv|b\.v|nv|srl|s\.r\.l|spa|s\.p\.a|s\.l|oy|ab|a\/s|aps|as|pty|sp\. z o\.o|s\.r\.o|& sons|& daughters|& co|bros|brothers|und söhne|studio|studios|works|workshop|werkstatt|werkstätten|bakery|café|cafe|bistro|restaurant|press|nursery|garage|group|partners|associates|agency|atelier|boutique|dental|clinic|salon|brewery|farm|shop|store|cycles|bicycles|kayaks|catering|officina|taller)\b|株式会社|有限会社/iu;

/** What somebody is. */
export const TITLE =
  /\b(director|manager|founder|co-founder|owner|head|chief|officer|ceo|cto|cfo|coo|president|partner|designer|engineer|architect|developer|consultant|assistant|secretary|lead|producer|editor|baker|chef|mechanic|gardener|technician|advisor|adviser|sales|marketing|accountant|teacher|therapist|photographer|artist|curator|buyer|principal|proprietor|apprentice|master|joiner|builder|geschäftsführer(?:in)?|inhaber(?:in)?|leiter(?:in)?|prokurist(?:in)?|meister(?:in)?|gérante?|directeur|directrice|responsable|eigenaar|eigenares|inh|direttore|titolare|gerente|directora|executive|specialist|coordinator|analyst|administrator|agent|broker|realtor|attorney|lawyer|solicitor|barrister|nurse|surgeon|dentist|physician|veterinarian|planner|stylist|barber|plumber|electrician|carpenter|florist|writer|trainer|coach|instructor|professor|researcher|scientist|strategist|fotograf(?:in|o|a)?|avocate?|notaire|avvocat[oa]|abogad[oa]|advocaat|(?:rechts)?anw[aä]lt(?:in)?|(?:zahn)?[aä]rzt(?:in)?|steuerberater(?:in)?|architekt(?:in)?|architecte|grundare|dyrektor|kierownik|właściciel(?:ka)?|jednatel(?:ka)?)\b|υπεύθυν\p{L}+|διευθ\p{L}+|giám đốc|代表取締役/iu;

/** A street and what stands beside one, where words say so. */
export const STREET_WORD =
  /(?<![\p{L}\d])(street|st|road|rd|avenue|ave|lane|ln|boulevard|blvd|boul|drive|dr|way|square|sq|court|ct|place|pl|suite|ste|unit|flat|apt|apartment|floor|level|room|house|mill|mews|row|quay|hill|park|yard|wharf|close|crescent|gardens|grove|terrace|highway|hwy|parkway|pkwy|estate|building|bldg|tower|block|po box|p\.o\. box|straße|str|gasse|weg|platz|allee|rue|quai|bureau|via|viale|corso|piazza|calle|avenida|plaza|rua|av|avda|laan|straat|kade|gracht|gade|vej|vägen|gatan|ul|aleje|οδός|λεωφόρος|phố|đường)(?![\p{L}\d])|\p{L}(?:straße|strasse|gasse|weg|platz|allee|laan|straat|kade|gracht|gade|vej|vägen|gatan|katu|tie)(?![\p{L}])/iu;
/** Anything that may be a street: those words, or a number beside words. */
export const STREET = new RegExp(`\\d.*\\p{L}|\\p{L}.*\\d|${STREET_WORD.source}`, 'iu');
/** What a street's address may begin with. */
export const STREET_START =
  /^(?:\d+|unit|suite|ste|flat|apt|apartment|floor|level|shop \d|studio \d|room|building|bldg|block|po box|p\.o\. box)(?![\p{L}])/iu;

/** What is said below letters and on every page, and is no detail. */
export const SAID =
  /(?<!\p{L})(confidential|disclaimer|unsubscribe|please|sent from|kind regards|best wishes|many thanks|mit freundlichen|cordialement|regards|angaben gemäß|impressum|imprint|all rights reserved|privacy|cookies?|vriendelijke groet|hartelijke groet|venlig hilsen|vänlig(?:a)? hälsning\p{L}*|vennlig hilsen|distinti saluti|cordiali saluti|saludos|atentamente|cumprimentos|pozdraw\p{L}*|pozdravem|terveisin|bien à vous|grüße[nr]?|gruß|wrote|schrieb|a écrit)(?!\p{L})|^(?:best|thanks|thank you|cheers|sincerely|yours|contact(?: us)?|kontakt|get in touch|find us|visit us|follow us|opening hours|about(?: us)?|home)(?!\p{L})[ ,a-z!]*$|©/iu;
/** Whether words are sentences, or said so: a short word before a full stop is an abbreviation. */
export const isProse = (text: string): boolean =>
  (/\p{Ll}{2}[.!?]\s+\p{Lu}/u.test(text) && !isName(text)) || SAID.test(text);

/** A number under which a company is registered or pays its taxes. */
export const REGISTERED =
  /(?<![\p{L}\d])(company (?:no|number|reg)|registered (?:in|no|number)|reg(?:istration)?\.? (?:no|number)|licen[cs]e (?:no|number|#)|lic\.? ?#|(?:dre|bre|nmls) ?#|vat(?: no| reg| number|[ :])|ust-?id\w*|steuernummer|hr[ab] ?\d|handelsregister|registergericht|amtsgericht|siren|siret|r\.?c\.?s\.?|au capital|kvk|abn|acn|ein|btw|tva|p\.? ?iva|partita iva|codice fiscale|org\.? ?nr|cvr|cif|nif|nip|regon|krs|ičo|dič|nipc|uid|atu\d|che-\d|y-tunnus|gst|hst|rfc|αφμ)(?![\p{L}])/iu;

/** An account at a bank: not what a card says, and no number to call. */
export const BANK =
  /(?<![\p{L}\d])(iban|bic|swift|sort code|routing|konto(?:nr|nummer)?|account (?:no|number)|bsb)(?![\p{L}])/iu;

/** An address of nobody in particular. */
export const GENERAL =
  /^(info|hello|hi|mail|office|contact|post|sales|studio|shop|team|admin|enquiries|inquiries|orders|kontakt|bonjour|hola|ciao|biuro|workshop|garden|service|support|welcome|praxis|kanzlei|reception|bookings?|hallo|hej|geral|bureau|accueil)@/i;

/** Letters alone, for comparing a name with an address. */
export const letters = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/&/g, 'and')
    .replace(/[^\p{L}\d]/gu, '');

/** Two to five words that begin with capitals, as a person is called; degrees after it are part of it. */
export const isName = (text: string): boolean =>
  /^(?:(?:Dr|Prof|Mr|Mrs|Ms|Mx|Maître|Me|Mme|Herr|Frau|Sig|Sra?|Dipl\.-Ing|Ing|Mag)\.?\s+(?:(?:med|dent|vet|rer|nat|phil|jur|h\. ?c)\.\s+)*)*(?:\p{Lu}\.|\p{Lu}[\p{L}\p{M}'’-]*)(?:\s+(?:(?:von|van|de|der|den|la|le|di|da|du|zu|bin|al|ní|o)\s+)*(?:\p{Lu}\.|\p{Lu}[\p{L}\p{M}'’-]*)){1,4}(?:,?\s+(?:Jr|Sr|PhD|[A-Z][A-Za-z]{1,4}(?:\([A-Za-z]+\))?)\.?)*$/u.test(
    text,
  ) && !/\d/.test(text);

/** Whether a name is a person's for sure: nobody calls a company Doctor, or gives it a degree. */
export const isSurelyPerson = (text: string): boolean =>
  isName(text) && /^(?:Dr|Prof|Maître|Mr|Mrs|Ms|Mx|Mme|Herr|Frau|Sig|Sra?)[.\s]|, [A-Z]{2,5}$/u.test(text);

/** Whether a name is the one of an address: "iris.calloway" and "icalloway" are Iris Calloway's. */
export function isMailOf(name: string, mail: string): boolean {
  const local = letters(mail.split('@')[0]!);
  const parts = name
    .replace(/^(?:(?:Dr|Prof|Mr|Mrs|Ms|Mx|Maître|Me|Mme|Herr|Frau|Sig|Sra?)\.?\s+)+/u, '')
    .split(/\s+/)
    .map(letters)
    .filter(Boolean);
  const first = parts[0] ?? '';
  return (
    local === first ||
    parts
      .slice(1)
      .some((last) =>
        [last, first[0] + last, first + last, last + first[0], first + last[0], last + first].includes(local),
      ) ||
    local === letters(name)
  );
}
