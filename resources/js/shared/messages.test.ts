import { transformSync } from '@babel/core';
import { formatter } from '@lingui/format-po';
import { readdirSync, readFileSync } from 'node:fs';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';
import { ownWords } from '../../messages/vite';

/** What the interface says in the code: every file that is no test and was not generated. */
const FILES = readdirSync('resources/js', { recursive: true, encoding: 'utf8' })
    .map((name) => `resources/js/${name}`)
    .filter(
        (file) =>
            /\.tsx?$/.test(file) &&
            !/\.test\.tsx?$|\.generated\.ts$|\.d\.ts$|resources\/js\/testing\/|testServer\.ts$/.test(file),
    );

/** The texts of a file by their keys, as they are shown. */
function textsOf(file: string): Map<string, string> {
    const code = transformSync(readFileSync(file, 'utf8'), {
        filename: file,
        configFile: false,
        babelrc: false,
        parserOpts: { plugins: ['typescript', 'jsx'] },
        plugins: [['@lingui/babel-plugin-lingui-macro', { stripMessageField: false }]],
    })?.code;
    const texts = new Map<string, string>();
    const walk = (node: ts.Node): void => {
        if (ts.isObjectLiteralExpression(node)) {
            const [id, message] = ['id', 'message'].map((name) =>
                node.properties.find((one) => ts.isPropertyAssignment(one) && one.name.getText() === name),
            );
            const text = [id, message].map((one) =>
                one && ts.isPropertyAssignment(one) && ts.isStringLiteral(one.initializer)
                    ? one.initializer.text
                    : null,
            );
            if (text[0] && text[1]) texts.set(text[0], text[1]);
        }
        ts.forEachChild(node, walk);
    };
    walk(ts.createSourceFile(file, code ?? '', ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX));
    return texts;
}

const read = (locale: string): string => readFileSync(`resources/messages/${locale}.po`, 'utf8');
const parsed = async (locale: string) =>
    await formatter().parse(read(locale), { locale, sourceLocale: 'en-US', filename: `${locale}.po` });

/** Attributes that are read out or shown. */
const SHOWN = /^(label|title|aria-label|placeholder|alt|legend|hint|help|text|say|caption|summary)$/;

/** Words of the call-out language, names of files and of the product: not said in a language. */
const AS_THEY_ARE = [
    'drawing/model/stage.ts',
    'editing/drafts.ts',
    'editing/pictures.ts',
    'features/guide/KeysDialog.tsx',
    'features/house/AddRun.tsx',
    'features/lists/prices.ts',
    'features/lists/takeIn.ts',
    'features/route/completion.ts',
    'features/route/nextWords.ts',
    'features/start/useEntered.ts',
    'shared/useTicks.ts',
    'shared/locale.tsx',
    'shared/useTitle.ts',
    'shared/mode.ts',
];

/** A selector, a font, the family of a fitting in the catalog. */
const NO_TEXT = /\[role=|^\.\w|var\(--|^street bend$|^mm of water$|^mm outside$|^fl oz$/;

const isWords = (text: string): boolean => !NO_TEXT.test(text) && /[a-z]{2}[.,;:]? [a-z]{2}/i.test(text);

/** Texts that stand in the code bare: no other language could say them. */
function bareTexts(file: string): string[] {
    const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.Latest, true);
    const bare: string[] = [];
    const walk = (node: ts.Node, isSaid: boolean): void => {
        if (ts.isImportDeclaration(node) || ts.isTypeNode(node) || ts.isTaggedTemplateExpression(node)) {
            if (ts.isTaggedTemplateExpression(node) && ts.isTemplateExpression(node.template))
                node.template.templateSpans.forEach((span) => walk(span.expression, false));
            return;
        }
        if (ts.isJsxElement(node) && node.openingElement.tagName.getText() === 'Trans') isSaid = true;
        if (ts.isJsxText(node) && !isSaid && /[a-z]{2}/i.test(node.text.replace(/&\w+;/g, ''))) bare.push(node.text);
        if (ts.isJsxAttribute(node) && node.initializer && ts.isStringLiteral(node.initializer)) {
            if (SHOWN.test(node.name.getText()) && /[a-z]{2}/i.test(node.initializer.text))
                bare.push(node.initializer.text);
            return;
        }
        const isStyle = ts.isJsxAttribute(node) && /^(className|style|d|font)$/.test(node.name.getText());
        if (isStyle) return;
        if (ts.isStringLiteralLike(node) && isWords(node.text)) bare.push(node.text);
        if (ts.isTemplateExpression(node)) {
            const said = [node.head, ...node.templateSpans.map((span) => span.literal)].map((part) => part.text);
            if (isWords(said.join('{}'))) bare.push(node.getText());
        }
        ts.forEachChild(node, (child) => walk(child, isSaid));
    };
    walk(source, false);
    return bare.map((text) => `${file}: ${text.trim()}`);
}

describe('the texts of the interface', () => {
    const texts = new Map(FILES.flatMap((file) => [...textsOf(file)]));

    it('all stand in the message file of each language, and nothing else does', async () => {
        for (const locale of ['en-US', 'en-GB']) {
            const file = await parsed(locale);
            const stands = Object.entries(file).map(([id, message]) => [id, message.message]);
            expect(new Map(stands as [string, string][]), `npm run messages: ${locale}`).toEqual(texts);
        }
    });

    it('none stands bare in the code', () => {
        const bare = FILES.filter((file) => !AS_THEY_ARE.some((one) => file.endsWith(one))).flatMap(bareTexts);
        expect(bare).toEqual([]);
    });

    it('hold names in braces and nothing more, in every language the same', async () => {
        const names = (text: string): string[] => [...text.matchAll(/\{(\w+)\}|<\/?(\d+)\/?>/g)].map(([one]) => one);
        const british = await ownWords(read('en-GB'), 'en-GB');
        for (const [id, text] of texts) {
            expect(text.replace(/\{\w+\}/g, ''), text).not.toMatch(/[{}]/);
            if (british[id]) expect(names(british[id]).sort(), text).toEqual(names(text).sort());
        }
    });

    it('are spelt and named as it is done in the country', async () => {
        const british = await ownWords(read('en-GB'), 'en-GB');
        const american =
            /\b(center|color|gray|(milli)?meters?\b|liter|caliper|catalog\b|lumber|lavatory|water closet|faucet)/i;
        const notAmerican =
            /\b(centre|colour|grey|(milli)?metre|litre|calliper|catalogue|timber|\bWC\b|basin|washing machine)/i;
        // What is set in the account page is said in both.
        const NAMES = /(American|British): .*/;
        const wrong = [...texts].flatMap(([id, text]) => [
            ...(notAmerican.test(text.replace(NAMES, '')) ? [`en-US: ${text}`] : []),
            ...(american.test((british[id] ?? text).replace(NAMES, '')) ? [`en-GB: ${british[id] ?? text}`] : []),
        ]);
        expect(wrong).toEqual([]);
    });
});
