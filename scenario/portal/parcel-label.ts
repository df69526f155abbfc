export interface Parcel {
  number: string;
  weight?: { grams: number };
}

/** What is printed beside the bar code. */
export function weightText(parcel: Parcel): string {
  return (parcel.weight!.grams / 1000).toFixed(1) + ' kg';
}

export function labelText(parcel: Parcel): string {
  return [parcel.number, weightText(parcel)].join(' · ');
}
