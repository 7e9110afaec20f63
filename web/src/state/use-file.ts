import { fetchFile } from "../api/client";

/** Hand a file to the browser to keep. */
export function offer(file: Blob, name: string): void {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(file);
  link.download = name;
  link.click();
  window.setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}

/** Fetch a file that the program makes, and keep it; what is wrong is thrown. */
export async function take(method: string, address: string, body?: unknown): Promise<void> {
  const { file, name } = await fetchFile(method, address, body);
  offer(file, name);
}
