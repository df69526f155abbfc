import type { Grant } from '@toplens/core/access';
import * as client from 'openid-client';
import type { ProviderConfig } from '../config';
import { Problem } from '../errors';
import type { AccountRow } from '../store/accounts';
import type { Accounts } from './accounts';

/** What is remembered of a sign-in that goes on at the provider. */
export interface AtProvider {
  state: string;
  nonce: string;
  verifier: string;
}

const BACK = '/signed-in';
const LONGEST_NAME = 100;

/** Signing in elsewhere: OpenID Connect 1.0, code flow with PKCE (RFC 7636). Groups there become roles here. */
export class Provider {
  #known: Promise<client.Configuration> | undefined;

  constructor(
    private readonly config: ProviderConfig,
    private readonly accounts: Accounts,
    private readonly publicUrl: string,
  ) {}

  get name(): string {
    return this.config.name;
  }

  /** Asked for once it is needed: a provider that is away at the start keeps nobody else out. */
  async #discover(): Promise<client.Configuration> {
    const { issuer, clientId, clientSecret } = this.config;
    const isPlain = new URL(issuer).protocol === 'http:';
    this.#known ??= client.discovery(
      new URL(issuer),
      clientId,
      clientSecret === '' ? undefined : clientSecret,
      clientSecret === '' ? client.None() : undefined,
      isPlain ? { execute: [client.allowInsecureRequests] } : undefined,
    );
    try {
      return await this.#known;
    } catch {
      this.#known = undefined;
      throw new Problem(
        'providerAway',
        `${this.name} cannot be reached. Try again in a moment, or sign in by a password.`,
        {
          retryAfterS: 10,
        },
      );
    }
  }

  /** Where to send the browser. */
  async begin(): Promise<{ url: string; atProvider: AtProvider }> {
    const known = await this.#discover();
    const atProvider = {
      state: client.randomState(),
      nonce: client.randomNonce(),
      verifier: client.randomPKCECodeVerifier(),
    };
    const url = client.buildAuthorizationUrl(known, {
      redirect_uri: `${this.publicUrl}${BACK}`,
      scope: 'openid profile email groups',
      state: atProvider.state,
      nonce: atProvider.nonce,
      code_challenge: await client.calculatePKCECodeChallenge(atProvider.verifier),
      code_challenge_method: 'S256',
    });
    return { url: url.href, atProvider };
  }

  /**
   * Who has signed in there.
   *
   * @param address at which the provider sent the browser back
   * @throws Problem 'notSignedIn' when it did not let them in, or this is not what was begun
   */
  async end(
    address: string,
    { state, nonce, verifier }: AtProvider,
    nowMs: number,
  ): Promise<{ account: AccountRow; idToken: string }> {
    const known = await this.#discover();
    const back = new URL(BACK, this.publicUrl);
    back.search = URL.canParse(address) ? new URL(address).search : '';
    const tokens = await client
      .authorizationCodeGrant(known, back, {
        pkceCodeVerifier: verifier,
        expectedState: state,
        expectedNonce: nonce,
        idTokenExpected: true,
      })
      .catch((error: Error) => {
        throw new Problem('notSignedIn', `${this.name} did not let you in (${whyNot(error)}). Begin to sign in again.`);
      });
    const claims = tokens.claims();
    if (!claims) throw new Problem('notSignedIn', `${this.name} did not say who you are.`);
    const told: Record<string, unknown> = {
      ...claims,
      ...(await this.#moreOf(known, tokens.access_token, claims.sub)),
    };
    const account = await this.accounts.signInElsewhere(
      {
        subject: `${claims.iss} ${claims.sub}`,
        name: (textIn(told.name) || textIn(told.preferred_username) || textIn(told.email) || claims.sub).slice(
          0,
          LONGEST_NAME,
        ),
        mail: told.email_verified === true ? textIn(told.email) : '',
        given: this.#grantsOf(told.groups),
      },
      this.config.groups,
      nowMs,
    );
    return { account, idToken: tokens.id_token ?? '' };
  }

  /** Some providers put groups and names into their user information alone. */
  async #moreOf(known: client.Configuration, accessToken: string, subject: string): Promise<Record<string, unknown>> {
    if (known.serverMetadata().userinfo_endpoint === undefined) return {};
    return client.fetchUserInfo(known, accessToken, subject).catch(() => ({}));
  }

  #grantsOf(groups: unknown): Grant[] {
    const member = new Set(['*', ...(Array.isArray(groups) ? groups.map(String) : [])]);
    const given = this.config.groups.filter(({ group }) => member.has(group));
    const once = new Map(given.map(({ role, of }): [string, Grant] => [`${role} ${of}`, { role, of, untilMs: null }]));
    return [...once.values()];
  }

  /** The provider's own page to sign out; undefined where it has none, or is away. */
  async signOut(idToken: string): Promise<string | undefined> {
    try {
      const known = await this.#discover();
      if (known.serverMetadata().end_session_endpoint === undefined) return undefined;
      return client.buildEndSessionUrl(known, {
        id_token_hint: idToken,
        post_logout_redirect_uri: `${this.publicUrl}/`,
      }).href;
    } catch {
      return undefined;
    }
  }
}

const textIn = (value: unknown): string => (typeof value === 'string' ? value.trim() : '');

/** In the words of OAuth (RFC 6749, 4.1.2.1), without what only a log should say. */
const whyNot = (error: Error & { error?: string; code?: string }): string => error.error ?? error.code ?? error.name;
