/** Percent-encoded signs as what they stand for (RFC 3986, UTF-8); those that stand for nothing stay as they are. */
export function unescaped(text: string): string {
  try {
    return decodeURIComponent(text)
  } catch {
    return text.replace(/(?:%[0-9a-f]{2})+/gi, (part) => {
      try {
        return decodeURIComponent(part)
      } catch {
        return part
      }
    })
  }
}
