<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** A length of a fitting: what it comes to, and how far off that may be where no table states it; mm. */
final readonly class DerivedLength
{
    /** @param string $formula how it was reckoned, for whoever wants to follow it; empty where it is stated */
    public function __construct(public float $mm, public float $doubtMm, public string $formula) {}

    /**
     * A length that a row states: without doubt, unless the row says itself that it is assumed.
     *
     * @param float $doubtMm what an assumed one may be off
     *
     * @throws BadInput if the row has no status
     */
    public static function stated(float $mm, Fields $row, float $doubtMm): self
    {
        return new self($mm, $row->string('status') === 'assumed' ? $doubtMm : 0.0, '');
    }
}
