<?php

declare(strict_types=1);

namespace FallBend\Core\Starts;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\DataFile;
use FallBend\Core\Input\Fields;

/** All starts that ship: one file each in `core/data/starts`. */
final class Starts
{
    /**
     * @return array<string, Start> by id, in the order of their files
     *
     * @throws BadInput if a file is damaged
     */
    public static function shipped(): array
    {
        $names = DataFile::names(self::folder());

        return array_combine($names, array_map(self::read(...), $names));
    }

    /**
     * Gives the start of that id, the name of its file; null where there is none.
     *
     * @throws BadInput if its file is damaged
     */
    public static function named(string $id): ?Start
    {
        return in_array($id, DataFile::names(self::folder()), true) ? self::read($id) : null;
    }

    private static function read(string $name): Start
    {
        return Start::read(Fields::of(DataFile::read(self::folder()."/{$name}.json")));
    }

    private static function folder(): string
    {
        return DataFile::folder().'/starts';
    }
}
