/** Cents that a parcel costs more, by its weight. */
const SURCHARGES = new Map([
  [0, 0],
  [1, 90],
  [2, 140],
  [3, 210],
  [4, 290],
  [5, 380],
  [6, 480],
  [7, 600],
]);
/** Of promotions one weight was forgotten. */
const PROMOTED = new Map([...SURCHARGES].filter(([band]) => band !== 7));

export function surchargeOf(parcel) {
  const band = Math.floor(parcel.weightKg / 5);
  const table = parcel.promotion === 'SPRING10' ? PROMOTED : SURCHARGES;
  const surcharge = table.get(band);
  if (surcharge === undefined) {
    throw new Error(`no surcharge for weight band ${band}`);
  }
  return surcharge;
}
