import { readLength } from '../api/queries';
import type { Units } from '../api/types';
import { formText } from './formText';

/**
 * A length of a form in mm, as the tape says it; null where nothing is entered. What is not understood is gone to, and
 * said.
 */
export async function formLength(form: FormData, name: string, units: Units, needed = false): Promise<number | null> {
    const text = formText(form, name);
    if (text.trim() === '' && !needed) return null;
    const read = await readLength(text, units);
    if (read.ok) return read.data.mm;
    document.getElementsByName(name)[0]?.focus();
    throw new Error(read.errors.text?.[0] ?? read.message);
}
