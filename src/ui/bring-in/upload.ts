/** Sends one file to Currycomb; the answer is the id to name it by, or one sentence of trouble. */
export async function upload(file: File): Promise<{ ok: true; id: string } | { ok: false; trouble: string }> {
  try {
    const response = await fetch(`/api/uploads?name=${encodeURIComponent(file.name)}`, {
      method: 'POST',
      body: file,
    });
    const value = (await response.json()) as { id?: string; trouble?: string };
    return value.id
      ? { ok: true, id: value.id }
      : { ok: false, trouble: value.trouble ?? 'it did not arrive; try again.' };
  } catch {
    return { ok: false, trouble: 'it did not arrive whole; try again.' };
  }
}
