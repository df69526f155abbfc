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
  /** multiplies the harm of this flow; 1 when left out */
  importance?: number;
}

export interface FlowFacts {
  name: string;
  limitMs: number | undefined;
  importance: number;
}

const escaped = (text: string) => text.replace(/[.+?^${}()|[\]\\]/g, '\\$&');

/** Whole-text match where `*` stands for any run of characters. */
export function matchesPattern(pattern: string, text: string): boolean {
  if (!pattern.includes('*')) return pattern === text;
  return new RegExp(`^${pattern.split('*').map(escaped).join('.*')}$`, 's').test(text);
}

/** The first rule that matches says name, limit and importance; without one the technical name stands. */
export function flowFacts(rules: readonly FlowRule[], application: string, technicalName: string): FlowFacts {
  const rule = rules.find(
    (candidate) => (candidate.application === undefined || candidate.application === application) && matchesPattern(candidate.technicalName, technicalName),
  );
  return { name: rule?.name ?? technicalName, limitMs: rule?.limitMs, importance: rule?.importance ?? 1 };
}
