<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;

/** The pipe systems and the tables of parts, as the rows of other tables speak of them. */
interface PipeSystems
{
    /** @return list<string> keys of the pipe systems */
    public function systemKeys(): array;

    /** @throws BadInput if there is no such system */
    public function system(string $key): PipeSystem;

    /**
     * Gives a table as it stands in the file, with the user's numbers and rows over it.
     *
     * @return array<string, mixed>
     *
     * @throws BadInput if there is no such table
     */
    public function table(string $key): array;
}
