/** The codes in what was scanned or typed, each once, in capitals; whatever divides them. */
export function codesIn(text: string): string[] {
  return [
    ...new Set(
      text
        .toUpperCase()
        .split(/[\s,;]+/)
        .filter(Boolean),
    ),
  ];
}
