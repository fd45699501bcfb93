import { defineConfig } from '@lingui/cli';
import { formatter } from '@lingui/format-po';

// The texts of the interface: written in the code as they are said in the US, in one file a language beside it.
export default defineConfig({
    sourceLocale: 'en-US',
    locales: ['en-US', 'en-GB'],
    // In the code a text stands as `t` or `Trans`; this is what both come from.
    runtimeConfigModule: { i18n: ['#locale', 'i18n'], Trans: ['#locale', 'Trans'] },
    format: formatter({ origins: true, lineNumbers: false }),
    catalogs: [{ path: 'resources/messages/{locale}', include: ['resources/js'], exclude: ['**/*.test.*'] }],
});
