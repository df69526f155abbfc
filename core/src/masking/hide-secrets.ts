/** A number that stands for a mail address: the same for the same address, and nobody finds the address by it. */
export type TagOf = (address: string) => string;

interface Secret {
  /** nothing is looked for in a text without this: most texts have none of it */
  hint: RegExp;
  pattern: RegExp;
  /** what stands in its place; undefined: it is none after all */
  shown: (
    found: string,
    groups: Readonly<Record<string, string | undefined>>,
    tagOf: TagOf | undefined,
  ) => string | undefined;
}

const lastFour = (found: string): string => found.replace(/\W/g, '').slice(-4);

/**
 * Names behind which a password, a token or the like stands. Common practice, no source; `cvv` and `cvc` are the
 * verification codes of cards, which PCI DSS 4.0 (3.3.1) forbids to store.
 */
const PASSWORD = String.raw`(?:pass(?:word|wd|phrase|code)?|pwd)`;
const CREDENTIAL = String.raw`(?:(?:[a-z]{1,20}[_-])?(?:secret|token)|(?:api|access|private)[_-]?key|authorization|credentials?|[a-z]{0,4}sess(?:ion)?[_-]?id|cvv2?|cvc2?|pin)`;

/** What stands behind such a name, in quotes or up to a sign that ends it, and is not hidden yet; not what `isNone` says. */
const valueOf = (longest: number, isNone = ''): string =>
  String.raw`(?:"(?!\[secret\])[^"\n]{1,${longest}}"|'(?!\[secret\])[^'\n]{1,${longest}}'|(?!["'\[])${isNone}[^\s&;,"'<>)\]}]{1,${longest}})`;

/**
 * Each is bounded in every part, so that a text is read in time by its length, whatever stands in it. What is shown in
 * place of a secret is none: hidden again, a text stays as it is.
 */
const SECRETS: readonly Secret[] = [
  {
    // RFC 7468: textual encodings of keys; one that was cut off ends with the text.
    hint: /-----BEGIN/,
    pattern: /-----BEGIN [A-Z ]{0,30}PRIVATE KEY-----[\s\S]*?(?:-----END [A-Z ]{0,30}PRIVATE KEY-----|$)/g,
    shown: () => '[private key]',
  },
  {
    // RFC 7519: a JSON Web Token begins with {" in base64url.
    hint: /eyJ/,
    pattern: /\beyJ[\w-]{6,4000}\.[\w-]{2,8000}(?:\.[\w-]{0,2000})?/g,
    shown: () => '[token]',
  },
  {
    // RFC 7235, 6750, 7617: the scheme, then its credentials. A plain word behind it is no token.
    hint: /bearer|basic|digest/i,
    pattern:
      /\b(?<scheme>Bearer|Basic|Digest)(?<gap>[ \t]{1,4})(?=[\w+/.~-]{0,200}[\d=]|[\w+/.~-]{20})[\w+/.~-]{8,8000}={0,2}/gi,
    shown: (_found, { scheme = '', gap = '' }) => `${scheme}${gap}[token]`,
  },
  {
    // password=…, "password": "…", PASSWORD: …
    hint: /pass|pwd/i,
    pattern: new RegExp(
      String.raw`(?<name>\b(?:[a-z]{1,20}[_.-])?${PASSWORD}["']?[ \t]{0,4}[=:][ \t]{0,4})${valueOf(500)}`,
      'gi',
    ),
    shown: (_found, { name = '' }) => `${name}[secret]`,
  },
  {
    // token=…, "token": "…"; behind a colon and a blank only what has a digit: "token: expired" is no secret.
    hint: /secret|token|key|authorization|credential|sess|cv[vc]|pin/i,
    pattern: new RegExp(
      String.raw`(?<name>\b${CREDENTIAL}["']?(?:[ \t]{0,4}=[ \t]{0,4}|:(?=\S)|:[ \t]{1,4}(?=["']|[^\s&;,]{0,100}\d)))${valueOf(4000, '(?!(?:Bearer|Basic|Digest)\\b)')}`,
      'gi',
    ),
    shown: (_found, { name = '' }) => `${name}[secret]`,
  },
  {
    // RFC 6265, 4: all of a header.
    hint: /cookie/i,
    pattern: /(?<name>\b(?:set-)?cookie["']?[ \t]{0,4}[:=][ \t]{0,4})(?:"[^"\n]{1,8000}"|(?!["'[ \t])[^\n"]{1,8000})/gi,
    shown: (_found, { name = '' }) => `${name}[secret]`,
  },
  {
    // RFC 3986, 3.2.1: name and password before the host.
    hint: /:\/\//,
    pattern: /(?<=:\/\/)[^\s/?#@[\]]{1,200}:[^\s/?#@]{0,200}@/g,
    shown: () => '[secret]@',
  },
  {
    // RFC 5321, 4.5.3.1: 64 and 255 characters at most; also as a URL writes it.
    hint: /@|%40/,
    pattern: /[\w.+-]{1,64}(?:@|%40)[\w-]{1,63}(?:\.[\w-]{1,63}){1,8}/g,
    shown: (found, _groups, tagOf) => (tagOf ? `[mail ${tagOf(found.replace('%40', '@').toLowerCase())}]` : '[mail]'),
  },
  {
    // ISO 13616: country, two check digits, the account.
    hint: /[A-Z]{2}\d\d/,
    pattern: /\b[A-Z]{2}\d{2}(?: ?[A-Z\d]{4}){2,7}(?: ?[A-Z\d]{1,4})?\b/g,
    shown: (found) => (isAccount(found.replaceAll(' ', '')) ? `[account ${lastFour(found)}]` : undefined),
  },
  {
    // ISO/IEC 7812-1: issuers of cards for payment begin with 2 to 6; the last digit is a check.
    hint: /\d{4}[ -]?\d/,
    pattern:
      /(?<![\dA-Za-z.])(?:[2-6]\d{12,18}|[2-6]\d{3}(?<gap>[ -])(?:\d{4}\k<gap>\d{4}\k<gap>\d{1,7}|\d{6}\k<gap>\d{4,5}))(?!\w|\.\d)/g,
    shown: (found) => (isCard(found.replace(/\D/g, '')) ? `[card ${lastFour(found)}]` : undefined),
  },
  {
    // The name of who is signed in, in the path of a file.
    hint: /\/home\/|\/Users\/|\\Users\\/,
    pattern: /(?<folder>\/home\/|\/Users\/|\\Users\\)(?!…)[^\s/\\:"']{1,64}(?=[/\\])/g,
    shown: (_found, { folder = '' }) => `${folder}…`,
  },
];

/**
 * A text of telemetry without what must never be stored: passwords, tokens and keys, numbers of cards and accounts, mail
 * addresses, names in paths of files.
 *
 * @param tagOf what tells mail addresses apart in what is left; without it they are one
 * @example hideSecrets('card 4111 1111 1111 1111, password=hunter', tagOf) // 'card [card 1111], password=[secret]'
 */
export function hideSecrets(text: string, tagOf?: TagOf): string {
  let hidden = text;
  for (const { hint, pattern, shown } of SECRETS)
    if (hint.test(hidden))
      hidden = hidden.replace(pattern, (found: string, ...rest) => {
        const groups: unknown = rest.at(-1);
        const named = typeof groups === 'object' ? (groups as Record<string, string | undefined>) : {};
        return shown(found, named, tagOf) ?? found;
      });
  return hidden;
}

/** Luhn's check (ISO/IEC 7812-1, annex B): every second digit from the last but one doubled, its digits summed. */
export function isCard(digits: string): boolean {
  if (!/^(?:[3-6]|2[2-7])\d{12,18}$/.test(digits)) return false;
  let sum = 0;
  for (let i = 0; i < digits.length; i++) {
    const digit = Number(digits.at(-1 - i));
    const doubled = i % 2 === 1 ? digit * 2 : digit;
    sum += doubled > 9 ? doubled - 9 : doubled;
  }
  return sum % 10 === 0;
}

/** Check of ISO 13616 (by ISO/IEC 7064, mod 97-10): with the first four at the end, letters as 10 to 35, it leaves 1. */
export function isAccount(account: string): boolean {
  if (!/^[A-Z]{2}\d{2}[A-Z\d]{11,30}$/.test(account)) return false;
  let rest = 0;
  for (const sign of account.slice(4) + account.slice(0, 4)) {
    const value = parseInt(sign, 36);
    rest = (rest * (value > 9 ? 100 : 10) + value) % 97;
  }
  return rest === 1;
}
