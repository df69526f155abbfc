import { Session, type Debugger } from 'node:inspector';
import { MOST_PASSES_A_SECOND, parseVariable, type WatchPoint, type WatchState } from '@toplens/core/watch';

/** Called each time a line is passed, with what reads its variables. */
export type OnPass = (point: number, roots: readonly (() => unknown)[]) => void;

export interface Place {
  state: WatchState;
  /** the line that is read: the next that holds code; the one asked for while that is not known */
  line: number;
}

interface SetPoint extends Place {
  breakpoint: string | undefined;
  secondBegan: number;
  passes: number;
}

/** Under this name a line finds what reads it, whatever the service calls its own things. */
const READ = Symbol.for('toplens.watch');

/**
 * Lines of this process that are read as they are passed. Each is a breakpoint whose condition reads the variables and
 * is never true: the service goes on without being stopped. The debugger of the engine is on only while there is one.
 */
export class Breakpoints {
  #session: Session | undefined;
  readonly #set = new Map<number, SetPoint>();

  constructor(private readonly onPass: OnPass) {}

  get places(): ReadonlyMap<number, Readonly<Place>> {
    return this.#set;
  }

  set({ id, file, line, variables }: WatchPoint): void {
    if (this.#set.has(id)) return;
    const point: SetPoint = { state: 'notLoaded', line, breakpoint: undefined, secondBegan: 0, passes: 0 };
    this.#set.set(id, point);
    const roots = variables.map((text) => parseVariable(text)?.root);
    // Checked here as well: what is asked for comes over a network.
    if (roots.includes(undefined) || !Number.isSafeInteger(id) || !Number.isSafeInteger(line)) {
      point.state = 'refused';
      return;
    }
    const readers = roots.map((root) => `()=>${root}`).join(',');
    const params: Debugger.SetBreakpointByUrlParameterType = {
      // The engine knows a breakpoint by this text and the line: two at one line differ in what matches nothing.
      urlRegex: `(?:${id}){0}(^|[/\\\\])${escaped(file)}$`,
      lineNumber: line - 1,
      condition: `globalThis[Symbol.for(${JSON.stringify(READ.description)})]?.(${id},[${readers}])===true`,
    };
    this.#open().post('Debugger.setBreakpointByUrl', params, (error, answer) => {
      if (error) {
        point.state = 'refused';
        return;
      }
      point.breakpoint = answer.breakpointId;
      const [location] = answer.locations;
      if (location) this.#resolved(point, location.lineNumber);
    });
  }

  /** Takes a line off; what it was stays to be told. */
  release(id: number, state: WatchState): void {
    const point = this.#set.get(id);
    if (point?.breakpoint === undefined) return;
    point.state = state;
    this.#session?.post('Debugger.removeBreakpoint', { breakpointId: point.breakpoint });
    point.breakpoint = undefined;
    // Never from within a condition: the engine would go on in a debugger that is no more.
    setImmediate(() => this.#closeIfIdle());
  }

  forget(id: number): void {
    this.release(id, 'done');
    this.#set.delete(id);
  }

  /** Takes all of them off. */
  close(): void {
    for (const id of [...this.#set.keys()]) this.forget(id);
  }

  #open(): Session {
    if (this.#session) return this.#session;
    (globalThis as Record<symbol, unknown>)[READ] = (id: number, roots: (() => unknown)[]) => this.#passed(id, roots);
    const session = (this.#session = new Session());
    session.connect();
    session.on('Debugger.breakpointResolved', ({ params }) => {
      for (const point of this.#set.values())
        if (point.breakpoint === params.breakpointId) this.#resolved(point, params.location.lineNumber);
    });
    session.post('Debugger.enable');
    return session;
  }

  /** The debugger costs a little even without a breakpoint. */
  #closeIfIdle(): void {
    if ([...this.#set.values()].some(({ breakpoint }) => breakpoint !== undefined)) return;
    this.#session?.disconnect();
    this.#session = undefined;
  }

  #resolved(point: SetPoint, lineNumber: number): void {
    point.state = 'set';
    point.line = lineNumber + 1;
  }

  /** @returns false, always: the line is not stopped at */
  #passed(id: number, roots: readonly (() => unknown)[]): false {
    try {
      const point = this.#set.get(id);
      if (point?.breakpoint === undefined) return false;
      const now = performance.now();
      if (now - point.secondBegan >= 1_000) Object.assign(point, { secondBegan: now, passes: 0 });
      point.passes++;
      // At once: a loop without a pause would be slowed to its end.
      if (point.passes > MOST_PASSES_A_SECOND) this.release(id, 'tooOften');
      else this.onPass(id, roots);
    } catch {
      // Whatever goes wrong here is nothing to the service.
    }
    return false;
  }
}

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
