import { readFileSync } from 'node:fs';
import { formatter } from '@lingui/format-po';
import babel from '@rolldown/plugin-babel';
import type { PluginOption } from 'vite';

const NAME = 'virtual:messages/';

/**
 * The texts of the interface: `t` and `Trans` in the code, and the words of the other languages from their message
 * files. Only what a language says otherwise is loaded; all else stands where it is shown.
 */
export function messages(): PluginOption[] {
    return [
        {
            name: 'messages',
            resolveId: (id) => (id.startsWith(NAME) ? `\0${id}` : undefined),
            async load(id) {
                if (!id.startsWith(`\0${NAME}`)) return undefined;
                const locale = id.slice(NAME.length + 1);
                const file = new URL(`./${locale}.po`, import.meta.url);
                this.addWatchFile(file.pathname);
                const own = await ownWords(readFileSync(file, 'utf8'), locale);
                return `export default ${JSON.stringify(own)}`;
            },
        },
        babel({
            include: /resources\/js\/.*\.tsx?$/,
            plugins: [['@lingui/babel-plugin-lingui-macro', { stripMessageField: false }]],
        }),
    ];
}

/** What a message file says otherwise than the code: the text by its key. */
export async function ownWords(file: string, locale: string): Promise<Record<string, string>> {
    const read = await formatter().parse(file, { locale, sourceLocale: 'en-US', filename: `${locale}.po` });
    return Object.fromEntries(
        Object.entries(read)
            .filter(([, message]) => message.translation && message.translation !== message.message)
            .map(([key, message]) => [key, message.translation ?? '']),
    );
}
