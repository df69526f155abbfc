import { changeOfCloudEvent, changeOfRecord, isChange, kindOfType } from './index';
import { upTo } from '../fixtures/time-range';

const record = (attributes: Record<string, string>, more: object = {}) => ({
  atUs: 5,
  severity: 9,
  body: '',
  traceId: '',
  spanId: '',
  eventName: 'toplens.change',
  attributes,
  resource: { 'service.name': 'slots' },
  ...more,
});

test('a log event tells of a change; without an id it is known by what it says', () => {
  const told = record({
    'toplens.change.kind': 'setting',
    'toplens.change.title': 'radius 50 km',
    'toplens.change.by': 'desk',
  });
  expect(changeOfRecord(told, upTo(10))).toEqual({
    id: 'slots:setting:5:radius 50 km',
    atUs: 5,
    kind: 'setting',
    component: 'slots',
    title: 'radius 50 km',
    by: 'desk',
  });
  expect(changeOfRecord(told, upTo(10))).toEqual(changeOfRecord({ ...told, severity: 1 }, upTo(10)));
});

test.each([
  [record({ 'toplens.change.title': 'x' }), 'toplens.change.kind'],
  [record({ 'toplens.change.kind': 'flag' }), 'toplens.change.title'],
  [record({ 'toplens.change.kind': 'flag', 'toplens.change.title': 'x' }, { resource: {} }), 'service.name'],
  [record({ 'toplens.change.kind': 'flag', 'toplens.change.title': 'x' }, { atUs: 11 }), 'timeUnixNano'],
])('what is missing is named', (told, field) => {
  expect(() => changeOfRecord(told, upTo(10))).toThrow(new RegExp(`^${field.replaceAll('.', '\\.')}`));
});

test('older senders name an event by an attribute', () => {
  expect(isChange(record({ 'event.name': 'toplens.change' }, { eventName: '' }))).toBe(true);
  expect(isChange(record({}, { eventName: 'session.start' }))).toBe(false);
});

test('types of delivery events are understood', () => {
  expect(kindOfType('dev.cdevents.service.deployed.0.2.0')).toBe('release');
  expect(kindOfType('dev.cdevents.change.merged.0.1.2')).toBe('commit');
  expect(kindOfType('toplens.change.flag')).toBe('flag');
  expect(kindOfType('toplens.change.rumour')).toBeUndefined();
});

test('the example of the CloudEvents specification, but for its type and subject, is read; without data it is told by its subject', () => {
  // CloudEvents 1.0, "Example" (from memory): id A234-1234-1234, source https://github.com/cloudevents, time
  // 2018-04-05T17:31:00Z.
  const event = {
    specversion: '1.0',
    type: 'toplens.change.release',
    source: 'https://github.com/cloudevents',
    subject: '123',
    id: 'A234-1234-1234',
    time: '2018-04-05T17:31:00Z',
  };
  expect(changeOfCloudEvent(event, upTo(Infinity))).toEqual({
    id: 'https://github.com/cloudevents#A234-1234-1234',
    atUs: Date.UTC(2018, 3, 5, 17, 31) * 1000,
    kind: 'release',
    component: '123',
    title: '123 release',
    by: '',
  });
  expect(() => changeOfCloudEvent(event, upTo(Date.UTC(2018, 0) * 1000))).toThrow(/^time: lies ahead/);
  expect(() => changeOfCloudEvent([event], upTo(Infinity))).toThrow(/^event/);
});
