/** What people say about flows: names, limits, importance. The technical name is always kept beside the name. */
export interface FlowRule {
  /** application, exact text; any when left out */
  application?: string;
  /** technical name, exact text, or with `*` for any run of characters */
  technicalName: string;
  /** what a business person calls it */
  name?: string;
  /** owner's limit in milliseconds; judges in place of the learned one */
  limitMs?: number;
  /** owner's limits for single sites, in milliseconds; judge there in place of any other */
  siteLimitsMs?: Record<string, number>;
  /** owner's limits for steps inside it, in milliseconds, by component and operation: "payments POST /authorise" */
  stepLimitsMs?: Record<string, number>;
  /** multiplies the harm of this flow; 1 when left out */
  importance?: number;
  /** what was promised, and what breaking it costs */
  agreement?: Agreement;
}

/** A promise with a penalty: a share of the attempts of a period within the limit. */
export interface Agreement {
  /** 0.995: of a thousand attempts five may be late, hung or failed */
  target: number;
  /** length of the period */
  days: number;
  /** units of currency when the promise is broken */
  penalty: number;
}

export interface FlowFacts {
  name: string;
  limitMs: number | undefined;
  siteLimitsMs: Readonly<Record<string, number>>;
  stepLimitsMs: Readonly<Record<string, number>>;
  importance: number;
  agreement: Agreement | undefined;
}

const escaped = (text: string) => text.replace(/[.+?^${}()|[\]\\]/g, '\\$&');

/** Whole-text match where `*` stands for any run of characters. */
export function matchesPattern(pattern: string, text: string): boolean {
  if (!pattern.includes('*')) return pattern === text;
  return new RegExp(`^${pattern.split('*').map(escaped).join('.*')}$`, 's').test(text);
}

/**
 * The first rule that matches says name, limit and importance; without one the technical name stands.
 *
 * @param usualImportance where no rule says it
 */
export function flowFacts(
  rules: readonly FlowRule[],
  application: string,
  technicalName: string,
  usualImportance = 1,
): FlowFacts {
  const rule = rules.find(
    (candidate) =>
      (candidate.application === undefined || candidate.application === application) &&
      matchesPattern(candidate.technicalName, technicalName),
  );
  return {
    name: rule?.name ?? technicalName,
    limitMs: rule?.limitMs,
    siteLimitsMs: rule?.siteLimitsMs ?? {},
    stepLimitsMs: rule?.stepLimitsMs ?? {},
    importance: rule?.importance ?? usualImportance,
    agreement: rule?.agreement,
  };
}
