import { type AttemptKind, ATTEMPT_KINDS } from '@toplens/core/telemetry';

export const FLOW_SEPARATOR = '\u001f';

export interface FlowIdentity {
  application: string;
  technicalName: string;
  kind: AttemptKind;
}

/** The text under which a flow is kept. */
export const flowText = ({ application, technicalName, kind }: FlowIdentity): string =>
  `${application}${FLOW_SEPARATOR}${technicalName}${FLOW_SEPARATOR}${kind === 'work' ? '' : kind}`;

export function parseFlowText(text: string): FlowIdentity {
  const [application = '', technicalName = '', kind] = text.split(FLOW_SEPARATOR);
  return { application, technicalName, kind: ATTEMPT_KINDS.find((known) => known === kind) ?? 'work' };
}
