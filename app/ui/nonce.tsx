import { createContext, useContext } from "react";

/** The number that lets the page's own scripts run under the content security policy; only the server knows it. */
export const NonceContext = createContext<string | undefined>(undefined);

export const useNonce = () => useContext(NonceContext);
