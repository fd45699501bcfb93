<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** One named computation: pure, deterministic, strict about what it is given. */
interface Reckoner
{
    /** The name that it is called by: small letters and hyphens. */
    public function name(): string;

    /** What it works out, in one line. */
    public function summary(): string;

    /**
     * @return array<string, mixed> the answer, as its schema describes it
     *
     * @throws BadInput
     */
    public function reckon(Fields $input): array;
}
