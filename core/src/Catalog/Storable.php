<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

/** What can be put down as the values that it is made of, and be made of them again (see StoredRow). */
interface Storable
{
    /** @return array{of: class-string, values: list<mixed>} its class, and what that is constructed of */
    public function stored(): array;

    /**
     * Makes it again.
     *
     * @param list<mixed> $values what `stored` gave
     */
    public static function fromStored(array $values): self;
}
