<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Effort\Effort;
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
     * @param Effort $effort what there is for a search: it stops with the best it has, and says so
     * @return array<string, mixed> the answer, as its schema describes it
     *
     * @throws BadInput
     */
    public function reckon(Fields $input, Effort $effort): array;
}
