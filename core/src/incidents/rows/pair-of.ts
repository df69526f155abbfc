/** One number for a flow and a person: flows fit 16 bits, people 32. */
export const pairOf = (flow: number, person: number): number => flow * 0x1_0000_0000 + person;
