/** The document's head is the page's own; the router only asks that something stands around the app. */
export const Head = { Provider: ({ children }) => children };
