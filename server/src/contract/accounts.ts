import { RIGHTS, ROLES, SCOPE_OF, type Role } from '@toplens/core/access';
import type { Static } from '@sinclair/typebox';
import { array, boolean, object, string } from 'yup';
import { numberInput } from './number-input';
import { get, ok, path, post, problem, type Paths } from './paths';
import { EPOCH_MS, flag, integer, list, number, oneOf, orNull, record, ref, resource, text, texts } from './words';

export const Grant = resource('Grant', 'A role that somebody was given', {
  role: oneOf(ROLES, 'which'),
  of: text("the application or team that it holds for; '' of roles that hold everywhere", 'Sender Portal'),
  untilMs: orNull(number('until when; null without an end', EPOCH_MS, 1775034480000)),
});

export const SessionState = resource('SessionState', 'Who is signed in, and what they may do', {
  who: orNull(
    record(
      {
        id: integer('number of the account', '1', 3),
        name: text('under which all that they do is recorded', 'Rowan Teal'),
      },
      'null while nobody is signed in',
    ),
  ),
  isVisitor: flag('looks at a demo without being signed in'),
  rights: list(oneOf(RIGHTS, 'a right'), 'what they may do, everywhere or about some application or team'),
  mustSetUpFactor: flag('may nothing before they have set up a second factor'),
  awaitsSecondFactor: flag('the password was right; the second factor is still to be given'),
  endsMs: orNull(number('until when they are signed in at most; null of a visitor', EPOCH_MS, 1772485680000)),
  visitors: list(
    record({
      id: integer('number of the account', '1', 3),
      name: text('name', 'Rowan Teal'),
      roles: texts('what they are', ['Viewer']),
    }),
    'people of the demo, as whom anybody on this machine may look; empty elsewhere',
  ),
  provider: orNull(text('name of the service where they can sign in as well; null without one', 'Pellwick sign-in')),
});
export type SessionStateShape = Static<typeof SessionState>;

export const OwnAccount = resource('OwnAccount', 'Of oneself', {
  id: integer('number', '1', 3),
  name: text('under which all that they do is recorded', 'Rowan Teal'),
  mail: text("mail address; '' without one", 'rowan.teal@pellwick.example'),
  hasPassword: flag('signs in here, and not at a provider alone'),
  hasSecondFactor: flag('signs in with a second factor'),
  recoveryCodes: integer('recovery codes that were not used yet', 'codes', 10),
  grants: list(ref(Grant), 'what they were given'),
  sessions: list(
    record({
      madeMs: number('signed in', EPOCH_MS, 1772442480000),
      seenMs: number('seen last', EPOCH_MS, 1772446480000),
      address: text('network address', '10.0.0.7'),
      browser: text("browser and system; '' where it says nothing of them", 'Firefox 143, Windows desktop'),
      isThis: flag('the one that asks'),
    }),
    'where they are signed in, the one that was seen last first',
  ),
});
export type OwnAccountShape = Static<typeof OwnAccount>;

export const NewSecondFactor = resource(
  'NewSecondFactor',
  'A secret that a phone makes one-time passwords of (RFC 6238)',
  {
    secret: text('to be typed, base32', 'JBSWY3DPEHPK3PXP'),
    address: text('to be shown as a code that a phone reads', 'otpauth://totp/…'),
  },
);

export const RecoveryCodes = resource('RecoveryCodes', 'For who has lost the phone: each opens once; told once', {
  codes: texts('ten of them', ['k3vq-8n2p-x7ma-wd4t']),
});

export const Account = resource('Account', 'Somebody who signs in', {
  id: integer('number', '1', 3),
  name: text('name', 'Rowan Teal'),
  mail: text("mail address; '' without one", 'rowan.teal@pellwick.example'),
  grants: list(ref(Grant), 'what they were given'),
  hasPassword: flag('has chosen a password'),
  hasSecondFactor: flag('signs in with a second factor'),
  isElsewhere: flag('signs in at a provider'),
  isEnded: flag('cannot sign in any more'),
  seenMs: orNull(number('seen last; null where they are signed in nowhere', EPOCH_MS, 1772446480000)),
});
export type AccountShape = Static<typeof Account>;

export const Accounts = resource('Accounts', 'People who sign in', { accounts: list(ref(Account), 'by name') });

export const AccountLink = resource('AccountLink', 'By which somebody chooses a password, once', {
  account: integer('number of the account', '1', 3),
  url: text('the only time that it is told', 'https://lens.example/welcome/4fKq…'),
  endsMs: number('until then', EPOCH_MS, 1773047280000),
});

export const ProviderAddress = resource('ProviderAddress', 'Where people sign in', {
  url: text('page of the provider', 'https://sign-in.pellwick.example/authorize?…'),
});

export const SignedOut = resource('SignedOut', 'Nobody is signed in here any more', {
  url: orNull(
    text(
      'page of the provider that signs out there as well; null of who signed in here',
      'https://sign-in.pellwick.example/end?…',
    ),
  ),
});

export const LinkedAccount = resource('LinkedAccount', 'Whom such a link is for', {
  isFirst: flag('whoever opens it becomes the first administrator'),
  name: text("name; '' of the first administrator, who says it", 'Rowan Teal'),
  mail: text("mail address; '' of the first administrator", 'rowan.teal@pellwick.example'),
});

const LONGEST_NAME = 100;
const name = string()
  .trim()
  .min(1, 'name: say who this is')
  .max(LONGEST_NAME, `name: at most ${LONGEST_NAME} characters`)
  .meta({ description: 'name', example: 'Rowan Teal' });
/** A mail address is what a mail server says it is: here it is only no nonsense. */
const mail = string()
  .trim()
  .max(254, 'mail: at most 254 characters')
  .matches(/^[^\s@]+@[^\s@]+$/, {
    message: 'mail: expected an address as rowan@pellwick.example',
    excludeEmptyString: true,
  })
  .meta({ description: 'mail address', example: 'rowan.teal@pellwick.example' });
const password = string()
  .max(1_000, 'password: a password is at most 128 characters long')
  .meta({ description: 'password', example: 'four words that nobody guesses' });

export const signingIn = object({
  mail: mail.required('mail: give your mail address'),
  password: password.required('password: give your password'),
});
export const comingBack = object({
  address: string().max(8_000).required().meta({
    description: 'the whole address at which the provider sent them back',
    example: 'https://lens.example/signed-in?code=…',
  }),
});
export const givingCode = object({
  code: string()
    .trim()
    .max(40)
    .required('code: give the six digits that your phone shows')
    .meta({ description: 'one-time password, or a recovery code', example: '287082' }),
});
export const visiting = object({
  account: numberInput().integer().positive().required().meta({ description: 'number of an account', example: 3 }),
});
export const choosingPassword = object({
  password: password.required('password: choose a password'),
  name: name.default(undefined),
  mail: mail.default(undefined),
});
export const changingPassword = object({
  current: password.required('current: give the password that holds'),
  next: password.required('next: choose a password'),
});
export const confirmingFactor = givingCode.shape({
  secret: string()
    .max(100)
    .matches(/^[A-Z2-7]{32}$/, 'secret: expected the one that was told')
    .required()
    .meta({ description: 'the secret that was told', example: 'JBSWY3DPEHPK3PXPJBSWY3DPEHPK3PXP' }),
});
export const endingFactor = object({ password: password.required('password: give your password') });

const grant = object({
  role: string().oneOf(ROLES).required('role: choose one').meta({ description: 'which', example: 'owner' }),
  of: string()
    .trim()
    .max(200)
    .default('')
    .when('role', ([role], schema) =>
      SCOPE_OF[role as Role] === undefined
        ? schema.max(0, 'of: this role holds everywhere')
        : schema.min(1, 'of: say for which application or team'),
    )
    .meta({ description: 'the application or team that it holds for', example: 'Sender Portal' }),
  untilMs: numberInput()
    .positive()
    .nullable()
    .default(null)
    .meta({ description: 'until when; null without an end', unit: EPOCH_MS, example: 1775034480000 }),
}).noUnknown();
const MOST_GRANTS = 50;
const grants = array(grant)
  .max(MOST_GRANTS)
  .required('grants: give at least an empty list')
  .test('twice', 'grants: a role is there twice', (given = []) => {
    const keys = given.map(({ role, of }) => `${role} ${of}`);
    return new Set(keys).size === keys.length;
  })
  .meta({ description: 'what they are given', example: [{ role: 'viewer', of: '', untilMs: null }] });

export const newAccount = object({
  name: name.required('name: say who this is'),
  mail: mail.required('mail: give a mail address'),
  grants,
});
export const givenAccount = object({
  grants,
  isEnded: boolean().default(false).meta({ description: 'cannot sign in any more', example: false }),
});

const accountId = path('id', 'number of the account', 3);
const linkToken = path('token', 'the secret that stands in the link', '4fKq…');
const done = (summary: string, rest: object = {}) => ({
  summary,
  parameters: [],
  responses: { '204': { description: 'it is done' }, '4XX': problem, '5XX': problem },
  ...rest,
});
const state = (summary: string) => ({ '200': ok(SessionState, summary) });

export const accountPaths: Paths = {
  '/api/session': {
    get: get('Who is signed in, and what they may do', SessionState),
    post: post('Signs in by a password', { body: signingIn, answers: state('who is signed in') }),
    delete: {
      summary: 'Signs out',
      parameters: [],
      responses: { '200': ok(SignedOut, 'it is done'), '4XX': problem, '5XX': problem },
    },
  },
  '/api/session/second-factor': {
    post: post('Gives the second factor of a sign-in', { body: givingCode, answers: state('who is signed in') }),
  },
  '/api/session/visitor': {
    post: post('Looks at the demo as one of its people', { body: visiting, answers: state('who is signed in') }),
  },
  '/api/session/provider': {
    post: post('Begins to sign in at the provider', { answers: { '200': ok(ProviderAddress, 'where to go') } }),
  },
  '/api/session/provider/back': {
    post: post('Comes back from the provider, and is signed in', {
      body: comingBack,
      answers: state('who is signed in'),
    }),
  },
  '/api/account': { get: get('Of oneself', OwnAccount) },
  '/api/account/password': {
    post: post("Changes one's password, and signs out everywhere else", {
      body: changingPassword,
      answers: { '200': ok(OwnAccount, 'of oneself') },
    }),
  },
  '/api/account/second-factor': {
    post: post('A secret for a second factor; nothing is changed until a code of it is given', {
      answers: { '200': ok(NewSecondFactor, 'the secret') },
    }),
  },
  '/api/account/second-factor/confirm': {
    post: post('From now on a second factor is asked for', {
      body: confirmingFactor,
      answers: { '200': ok(RecoveryCodes, 'for who has lost the phone') },
    }),
  },
  '/api/account/second-factor/end': {
    post: post('No second factor is asked for any more', {
      body: endingFactor,
      answers: { '200': ok(OwnAccount, 'of oneself') },
    }),
  },
  '/api/account/sessions': { delete: done('Signs out everywhere else') },
  '/api/account-links/{token}': {
    get: get('Whom a link is for, by which a password is chosen', LinkedAccount, { path: [linkToken] }),
    post: post('Chooses a password by a link, once, and signs in', {
      path: [linkToken],
      body: choosingPassword,
      answers: state('who is signed in'),
    }),
  },
  '/api/accounts': {
    get: get('People who sign in', Accounts),
    post: post('Gives somebody an account', {
      body: newAccount,
      answers: { '201': ok(AccountLink, 'the link by which they choose a password') },
    }),
  },
  '/api/accounts/{id}': {
    post: post('Gives roles, takes them, ends an account or opens it again', {
      path: [accountId],
      body: givenAccount,
      answers: { '200': ok(Account, 'the account') },
    }),
  },
  '/api/accounts/{id}/link': {
    post: post('A new link by which they choose a password; the one that holds goes on until then', {
      path: [accountId],
      answers: { '201': ok(AccountLink, 'the link') },
    }),
  },
  '/api/accounts/{id}/second-factor': {
    delete: done('Takes the second factor of somebody who has lost it', { parameters: [accountId] }),
  },
  '/api/accounts/{id}/sessions': { delete: done('Signs somebody out everywhere', { parameters: [accountId] }) },
};
