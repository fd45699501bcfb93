<?php

declare(strict_types=1);

namespace FallBend\Core\Input;

/**
 * The tables and texts of core/data, decoded once in the life of a program. A server begins anew with every request: it
 * is given
 * all of them as one file of PHP, which PHP itself keeps in memory between requests.
 *
 * The values of a row are its class, what that is constructed of, and which of it are rows themselves.
 *
 * @phpstan-type RowValues array{of: class-string, values: list<mixed>, within: list<int>}
 */
final class DataFile
{
    /** @var array<string, array<string, mixed>> by path */
    private static array $decoded = [];

    /** @var array<string, list<string>> by folder */
    private static array $names = [];

    /**
     * @var array<string, array<string, array<array-key, RowValues>>> rows as objects, as their values, by table, group
     *     and id
     */
    private static array $rows = [];

    /** Gives the folder of the tables that ship with the core. */
    public static function folder(): string
    {
        return dirname(__DIR__, 2).'/data';
    }

    /**
     * Gives what stands in a file of JSON.
     *
     * @param string $path below the folder that ships with the core, or whole
     * @return array<string, mixed>
     */
    public static function read(string $path): array
    {
        $path = str_starts_with($path, '/') ? $path : self::folder()."/{$path}";
        if (! isset(self::$decoded[$path])) {
            /** @var array<string, mixed> $file */
            $file = json_decode((string) file_get_contents($path), true, 512, JSON_THROW_ON_ERROR);
            self::$decoded[$path] = $file;
        }

        return self::$decoded[$path];
    }

    /**
     * Gives the names of the files of JSON in a folder, without `.json`, in the order of the alphabet.
     *
     * @param string $folder whole path
     * @return list<string>
     */
    public static function names(string $folder): array
    {
        if (! isset(self::$names[$folder])) {
            $paths = glob("{$folder}/*.json");
            self::$names[$folder] = array_map(
                static fn (string $path): string => basename($path, '.json'),
                $paths === false ? [] : $paths,
            );
        }

        return self::$names[$folder];
    }

    /**
     * Gives the rows of a table that were read when the tables were compiled, serialised; none where they were not
     * compiled.
     *
     * @return array<string, array<array-key, RowValues>> by group and id
     */
    public static function rows(string $table): array
    {
        return self::$rows[$table] ?? [];
    }

    /**
     * Gives a program of PHP that returns everything that stands in core/data, for `know`.
     *
     * @param array<string, array<string, array<array-key, RowValues>>> $rows as objects, as their values, by table,
     *     group and id
     */
    public static function compiled(array $rows): string
    {
        $all = [];
        $files = glob(self::folder().'/{*,*/*,*/*/*}.json', GLOB_BRACE);
        foreach ($files === false ? [] : $files as $path) {
            $all[substr($path, strlen(self::folder()) + 1)] = self::read($path);
        }

        return '<?php return '.var_export(['files' => $all, 'rows' => $rows], true).';';
    }

    /**
     * Takes what the program that `compiled` gives returns: these files are not read any more.
     *
     * @param array{
     *     files: array<string, array<string, mixed>>,
     *     rows: array<string, array<string, array<array-key, RowValues>>>,
     * } $compiled
     */
    public static function know(array $compiled): void
    {
        self::$rows = $compiled['rows'];
        $names = [];
        foreach ($compiled['files'] as $name => $file) {
            $path = self::folder()."/{$name}";
            self::$decoded[$path] = $file;
            $names[dirname($path)][] = basename($path, '.json');
        }
        foreach ($names as $folder => $of) {
            sort($of, SORT_STRING);
            self::$names[$folder] = $of;
        }
    }
}
