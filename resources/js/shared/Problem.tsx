/** What was wrong, read aloud as it appears; nothing where nothing was. */
export function Problem({ text }: { text: string | null }) {
    if (!text) return null;
    return (
        <p className="problem" role="alert">
            {text}
        </p>
    );
}
