<?php

declare(strict_types=1);

namespace Tests\Architecture;

use FilesystemIterator;
use PhpToken;
use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** No class of the core reaches itself by way of others: neither in code nor in what a comment says of types. */
final class CyclesTest extends TestCase
{
    private const ROOT = 'FallBend\\Core\\';

    public function testNoClassReachesItself(): void
    {
        $uses = self::uses();
        self::assertGreaterThan(300, count($uses));
        self::assertContains(
            'FallBend\\Core\\Layout\\JobLayout',
            $uses['FallBend\\Core\\Evaluation\\EvaluatedJob'],
            'imports are seen',
        );
        self::assertContains(
            'FallBend\\Core\\Network\\Segment',
            $uses['FallBend\\Core\\Network\\Network'],
            'so are neighbours in a folder',
        );
        // What uses nothing that is left reaches nothing: it is taken away, until only circles are left (Kahn, 1962).
        do {
            $before = count($uses);
            $uses = array_filter(
                $uses,
                static fn (array $used): bool => array_filter(
                    $used,
                    static fn (string $class): bool => isset($uses[$class]),
                ) !== [],
            );
        } while (count($uses) < $before);
        self::assertSame([], self::circle($uses));
    }

    /**
     * @param array<string, list<string>> $uses every one of them uses another of them
     * @return list<string> the classes of one circle
     */
    private static function circle(array $uses): array
    {
        $way = [];
        $class = (string) array_key_first($uses);
        while ($class !== '' && ! in_array($class, $way, true)) {
            $way[] = $class;
            $class = array_values(array_filter($uses[$class], static fn (string $used): bool => isset($uses[$used])))[0];
        }

        return array_slice($way, (int) array_search($class, $way, true));
    }

    /** @return array<string, list<string>> the classes of the core that each of them names */
    private static function uses(): array
    {
        $folder = dirname(__DIR__, 2).'/core/src';
        $tokens = [];
        foreach (
            new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS)) as $file
        ) {
            if ($file instanceof SplFileInfo && $file->getExtension() === 'php') {
                $class = self::ROOT.str_replace('/', '\\', substr($file->getPathname(), strlen($folder) + 1, -4));
                $tokens[$class] = PhpToken::tokenize((string) file_get_contents($file->getPathname()));
            }
        }
        $uses = [];
        foreach ($tokens as $class => $of) {
            $names = self::names($of);
            $space = substr($class, 0, (int) strrpos($class, '\\'));
            $found = array_merge($names, array_map(static fn (string $name): string => "{$space}\\{$name}", $names));
            $uses[$class] = array_values(
                array_unique(
                    array_filter($found, static fn (string $name): bool => isset($tokens[$name]) && $name !== $class),
                ),
            );
        }

        return $uses;
    }

    /**
     * @param array<int, PhpToken> $tokens
     * @return list<string> names of classes, whole where they are imported
     */
    private static function names(array $tokens): array
    {
        [$names, $before] = [[], null];
        foreach ($tokens as $token) {
            if ($token->is(T_DOC_COMMENT)) {
                preg_match_all('/@(?:var|param|return|template|extends|implements)\s+([^\n]*)/', $token->text, $types);
                foreach ($types[1] as $type) {
                    // The type, not what is said of it.
                    preg_match_all(
                        '/\b[A-Z]\w+\b/',
                        (string) preg_replace('/\s\$.*|(?<=[>}\w\]])\s[a-z].*/', '', $type),
                        $found,
                    );
                    array_push($names, ...$found[0]);
                }
            } elseif (
                $token->is([T_STRING, T_NAME_QUALIFIED]) &&
                ! (
                    $before?->is([
                        T_OBJECT_OPERATOR,
                        T_NULLSAFE_OBJECT_OPERATOR,
                        T_DOUBLE_COLON,
                        T_CONST,
                        T_CASE,
                        T_FUNCTION,
                        T_NAMESPACE,
                    ]) ?? false
                )
            ) {
                $names[] = $token->text;
            }
            $before = $token->is([T_WHITESPACE, T_COMMENT]) ? $before : $token;
        }

        return $names;
    }
}
