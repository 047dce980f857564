/** Whether a file is a PDF by what is in it: the mark stands in its first kilobyte. */
export async function isPdf(file: Blob): Promise<boolean> {
  return (await file.slice(0, 1024).text()).includes('%PDF-');
}
