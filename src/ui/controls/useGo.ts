import { createContext, useContext } from 'react';

/** How the bench goes to another view; keys and scans that come before it is there wait for it. */
export const GoContext = createContext<(href: string) => void>(() => {});

/** The way from one view to another by a key, a scan or a button. Links go by themselves. */
export const useGo = (): ((href: string) => void) => useContext(GoContext);
