export * from './change-event';
export * from './cloud-event';
