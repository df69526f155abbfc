window.matchMedia ??= (query) => ({
  matches: false,
  media: query,
  addListener() {},
  removeListener() {},
  addEventListener() {},
  removeEventListener() {},
});
window.ResizeObserver ??= class {
  observe() {}
  unobserve() {}
  disconnect() {}
};
jest.mock('expo-font', () => ({ isLoaded: () => true, loadAsync: async () => {}, useFonts: () => [true, null] }));
