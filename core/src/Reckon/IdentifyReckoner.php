<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Identify\Evidence;
use FallBend\Core\Identify\Identifier;
use FallBend\Core\Identify\IdentifyReport;
use FallBend\Core\Input\Fields;
use FallBend\Core\Measure\Units;
use FallBend\Core\Verdict\SourceList;

/** What a pipe is, from what can be read, seen and measured of it; the model stands at Identifier. */
final readonly class IdentifyReckoner implements Reckoner
{
    public function __construct(private Catalogue $catalogue) {}

    public function name(): string
    {
        return 'identify';
    }

    public function summary(): string
    {
        return 'what a pipe is, from a calliper or a string round it, a magnet, colour, print and joint: ranked, with the next check';
    }

    public function reckon(Fields $input, Effort $effort): array
    {
        $overrides = Overrides::read($input, $this->catalogue);
        $catalogue = $this->catalogue->with($overrides->catalogue, $overrides->additions);
        $evidence = Evidence::read($input);
        $units = Units::from(
            $input->has('units')
                ? $input->choice('units', ['inch', 'mm'])
                : ($evidence->region === 'uk'
                    ? 'mm'
                    : 'inch'),
        );
        $input->end();
        $ranked = (new Identifier($catalogue))->candidates($evidence);
        $report = (new IdentifyReport($units))->write($ranked, $evidence);

        return [
            ...$report,
            'read_od_mm' => $evidence->outsideMm,
            'read_error_mm' => $evidence->errorMm,
            'findings' => [],
            'sources' => SourceList::list(
                array_map(
                    static fn ($candidate) => $candidate->pipe->provenance,
                    array_slice($ranked, 0, count($report['candidates'])),
                ),
            ),
        ];
    }
}
