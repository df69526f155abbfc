export declare function shiftClock(offset: number | (() => number)): void;
