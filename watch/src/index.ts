export { startWatch, type RunningWatch, type WatchOptions } from './watch';
