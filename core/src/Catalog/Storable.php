<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

/** What can be put down as the values that it is made of, and be made of them again (see StoredRow). */
interface Storable
{
    /**
     * @return array{of: class-string, values: list<mixed>, within: list<int>} its class, what that is constructed of,
     *     and which of it are rows themselves
     */
    public function stored(): array;

    /**
     * Makes it again.
     *
     * @param list<mixed> $values what `stored` gave
     * @param list<int> $within
     */
    public static function fromStored(array $values, array $within): self;
}
