<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\FixtureKind;

/** A fixture as the rules of traps judge it: what it is, and what it is called. */
final readonly class NamedFixture
{
    public function __construct(public FixtureKind $kind, public string $name) {}
}
