<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

/** A fixture as the rules of traps judge it: what it is, and what it is called. */
final readonly class NamedFixture
{
    /** @param string $kind one of FixtureTable::KINDS */
    public function __construct(public string $kind, public string $name) {}
}
