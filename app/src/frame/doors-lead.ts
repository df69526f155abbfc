import { createContext, useContext } from 'react';

/** Do doors lead anywhere? Not on a page that was shared with people who have no login: there they are plain. */
export const DoorsLead = createContext(true);
export const useDoorsLead = (): boolean => useContext(DoorsLead);
