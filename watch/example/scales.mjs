// A small service to try watching with: the scales of a depot, which weigh a parcel every other second.
import { surchargeOf } from './src/surcharge.mjs';

const PROMOTIONS = ['', '', '', 'SPRING10'];
let parcels = 0;

setInterval(() => {
  parcels++;
  const parcel = {
    number: `P-${1000 + parcels}`,
    weightKg: 1 + ((parcels * 7) % 38),
    promotion: PROMOTIONS[parcels % PROMOTIONS.length],
    sender: { tier: parcels % 5 === 0 ? 'key' : 'standard', password: 'never shown' },
  };
  try {
    surchargeOf(parcel);
  } catch {
    // The counter asks the sender to come again.
  }
}, 2_000);
