/** The text of a form's field; a file or nothing is no text. */
export function formText(form: FormData, key: string): string {
    const value = form.get(key);
    return typeof value === 'string' ? value : '';
}
