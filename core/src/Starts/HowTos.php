<?php

declare(strict_types=1);

namespace FallBend\Core\Starts;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\DataFile;
use FallBend\Core\Input\Fields;

/** All ways to do something that ship: one file each in `core/data/how-to`. */
final class HowTos
{
    /**
     * @return list<HowTo> in the order of their files
     *
     * @throws BadInput if a file is damaged
     */
    public static function shipped(): array
    {
        return array_map(self::read(...), DataFile::names(self::folder()));
    }

    /**
     * Gives that of an id, the name of its file; null where there is none.
     *
     * @throws BadInput if its file is damaged
     */
    public static function named(string $id): ?HowTo
    {
        return in_array($id, DataFile::names(self::folder()), true) ? self::read($id) : null;
    }

    private static function read(string $name): HowTo
    {
        return HowTo::read(Fields::of(DataFile::read(self::folder()."/{$name}.json")));
    }

    private static function folder(): string
    {
        return DataFile::folder().'/how-to';
    }
}
