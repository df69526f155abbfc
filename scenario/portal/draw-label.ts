import { labelText, type Parcel } from './parcel-label';

export function drawLabel(target: HTMLElement, parcel: Parcel): void {
  const text = labelText(parcel);
  target.textContent = text;
}

document.querySelectorAll<HTMLElement>('[data-parcel]').forEach((element) => {
  drawLabel(element, JSON.parse(element.dataset.parcel ?? '{}') as Parcel);
});
