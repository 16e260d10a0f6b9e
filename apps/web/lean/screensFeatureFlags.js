/** Native screens have flags to set; there are none on the web. */
export const initScreensFeatureFlags = () => undefined;
