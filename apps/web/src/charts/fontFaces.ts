/** The page's rules for its own type. */
function faceRules(): CSSFontFaceRule[] {
  return [...document.styleSheets].flatMap((sheet) => {
    try {
      return [...sheet.cssRules].filter((rule): rule is CSSFontFaceRule => rule instanceof CSSFontFaceRule);
    } catch {
      // A sheet from elsewhere does not let itself be read.
      return [];
    }
  });
}

const asDataUrl = (content: Blob): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result));
    reader.onerror = () => reject(reader.error ?? new Error('the font could not be read'));
    reader.readAsDataURL(content);
  });

/** The rules of some families with their files inside, for a picture that leaves the page. A family that cannot be fetched is left out. */
export async function fontFaces(families: readonly string[]): Promise<string> {
  const rules = faceRules().flatMap((rule) => {
    const family = rule.style.getPropertyValue('font-family').replace(/["']/g, '').trim();
    const url = /url\(["']?([^"')]+)["']?\)/.exec(rule.style.getPropertyValue('src'))?.[1];
    return families.includes(family) && url !== undefined ? [{ family, url }] : [];
  });
  const faces = await Promise.all(
    rules.map(async ({ family, url }) => {
      try {
        const response = await fetch(new URL(url, document.baseURI));
        return response.ok
          ? `@font-face{font-family:${family};src:url(${await asDataUrl(await response.blob())})}`
          : '';
      } catch {
        return '';
      }
    }),
  );
  return faces.join('');
}
