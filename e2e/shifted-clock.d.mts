export declare function shiftClock(offsetMs: number): void;
