import type { Right } from '@toplens/core/access';

/**
 * What an operation of the API needs:
 *
 * - a right, by the account of who asks;
 * - 'key': it looks at a key of its own, that of a sender or the desk;
 * - 'nobody': everything that has to be answered before anybody has signed in, or by a link's secret;
 * - 'own': somebody who is signed in, about themselves.
 */
export type Need = Right | 'key' | 'nobody' | 'own';

/** All operations that are not plain looks; of the others, what is read needs the right to look. */
const NEEDS: Readonly<Record<string, Need>> = {
  postV1Traces: 'key',
  postV1Logs: 'key',
  postV1Metrics: 'key',
  postV1Browser: 'key',
  postV1Har: 'key',
  postV1BusinessEvents: 'key',
  postV1Changes: 'key',
  getV1Probes: 'key',
  postV1Watch: 'key',
  getReadyz: 'nobody',
  getHealthz: 'nobody',

  getSession: 'nobody',
  postSession: 'nobody',
  deleteSession: 'nobody',
  postSessionSecondFactor: 'nobody',
  postSessionVisitor: 'nobody',
  postSessionProvider: 'nobody',
  postSessionProviderBack: 'nobody',
  getAccountLinksByToken: 'nobody',
  postAccountLinksByToken: 'nobody',
  getSharedBoardsByToken: 'nobody',

  getAccount: 'own',
  postAccountPassword: 'own',
  postAccountSecondFactor: 'own',
  postAccountSecondFactorConfirm: 'own',
  postAccountSecondFactorEnd: 'own',
  deleteAccountSessions: 'own',

  getAccounts: 'accounts',
  postAccounts: 'accounts',
  postAccountsById: 'accounts',
  postAccountsByIdLink: 'accounts',
  deleteAccountsByIdSecondFactor: 'accounts',
  deleteAccountsByIdSessions: 'accounts',

  getKeys: 'accounts',
  postKeys: 'accounts',
  postKeysByIdSecret: 'accounts',
  deleteKeysById: 'accounts',

  postIncidentsByIdDecisions: 'decide',
  postHandoffs: 'send',
  postHandoffsByIdAgain: 'send',
  postHandoffsByIdAccept: 'answer',
  postHandoffsByIdAnswer: 'key',
  postHandoffsByIdLinks: 'share',
  deleteHandoffsByIdLinksByLink: 'share',
  getBoardsByNameLinks: 'share',
  postBoardsByNameLinks: 'share',
  deleteBoardsByNameLinksByLink: 'share',

  postIncidentsByIdHurtExport: 'persons',
  postPeopleFind: 'persons',
  postPeopleExport: 'persons',
  // It tells nothing of the person.
  postPeopleErase: 'settings',
  postAttemptsByTraceIdBySpanIdUnmasked: 'persons',

  postSourceMaps: 'upload',
  postNameMappings: 'upload',
  deleteRefusedRecordsById: 'upload',
  postRefusedRecordsByIdSendAgain: 'upload',

  // Which right a setting needs is told by its key.
  postSettings: 'settings',
  postSettingsChangesByIdUndo: 'settings',
  postSettingsFile: 'settings',
  getSettingsFile: 'settings',
  postSettingsTry: 'look',
  postSettingsCalendarRead: 'look',
  postAlertsTry: 'look',
  postAlertsTest: 'settings',
  postAlertsMessagesByIdAgain: 'settings',

  getWatchPoints: 'watch',
  postWatchPoints: 'watch',
  getWatchPointsById: 'watch',
  postWatchPointsByIdStop: 'watch',

  getPersonLooks: 'records',
  getRecords: 'records',
  getRecordsCsv: 'records',
  getRecordsChain: 'records',
};

/** @returns undefined for an operation that changes something and has no row: nobody may do it */
export const needOf = (operation: string): Need | undefined =>
  NEEDS[operation] ?? (operation.startsWith('get') ? 'look' : undefined);

/** Operations that have a row of their own. */
export const listedOperations = (): string[] => Object.keys(NEEDS);

const JUDGED = /^(?:flow|journey)\u001f/;

/** The right that a change of one setting needs, and the application that it is about. */
export function rightOfSetting(key: string): { right: Right; application: string | undefined } {
  if (key === 'boards') return { right: 'share', application: undefined };
  if (!JUDGED.test(key)) return { right: 'settings', application: undefined };
  const [kind, application] = key.split('\u001f');
  return { right: 'judge', application: kind === 'flow' ? application : undefined };
}
