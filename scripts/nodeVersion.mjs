// Ends a start on a Node that is too old with one line. Imported first, and written so that any Node can read it.

/** Whether a version, such as 22.12.0, is one that the packages run on: 20.19 and up, or 22.12 and up. */
export function isSupported(version) {
  const [major, minor] = version.split('.').map(Number);
  if (major === 20) return minor >= 19;
  if (major === 22) return minor >= 12;
  return major >= 24;
}

if (!isSupported(process.versions.node)) {
  console.error(
    `Neotrope needs Node 20.19 or newer of 20, 22.12 or newer of 22, or 24 and up; this is ${process.versions.node}.`,
  );
  process.exit(1);
}
