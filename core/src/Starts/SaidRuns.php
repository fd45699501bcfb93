<?php

declare(strict_types=1);

namespace FallBend\Core\Starts;

use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Geometry\Roll;
use FallBend\Core\Hanging\Hanger;
use FallBend\Core\Job\Run;
use FallBend\Core\Layout\Piece;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Measure\Units;

/** What comes of the runs of a start: what is cut, how fittings are rolled, where pipe that stands is held. */
final readonly class SaidRuns
{
    /** A branch that is rolled by less is laid level. */
    private const LEVEL_DEG = 5.0;

    /** @param list<string> $stands ids of the runs that stand already */
    public function __construct(private EvaluatedJob $job, private array $stands) {}

    /** @return list<string> of what is new; where nothing is, where that which stands is held */
    public function says(): array
    {
        $runs = $this->job->job()->runs;
        $new = array_values(
            array_filter($runs, fn (Run $run): bool => ! in_array($run->id, $this->stands, true)),
        );

        return $new === []
            ? array_map($this->hangers(...), $runs)
            : array_merge(...array_map($this->run(...), $new));
    }

    /** @return list<string> what a run is cut to, and how the fitting is turned that it enters */
    private function run(Run $run): array
    {
        $pieces = array_map(
            fn (Piece $piece): string => "{$piece->letter} ".$this->length($piece->cutMm),
            $this->job->run($run->id)->pieces,
        );

        return [
            ...$pieces === [] ? [] : ["{$run->name}: cut ".implode(', ', $pieces)],
            ...$this->rolled($run),
        ];
    }

    /**
     * A branch that does not lie level: how far it is rolled up, and that round the pipe.
     *
     * @return list<string>
     */
    private function rolled(Run $run): array
    {
        $into = $run->tieIn->branch === null ? null : $this->job->layout()->runs[$run->tieIn->branch->run] ?? null;
        $says = [];
        foreach ($into->fittings ?? [] as $fitting) {
            $junction = $fitting->junction;
            $deg =
                $junction?->key() === $run->id ? Roll::upFromLevel($junction->taps[0]->flow, $junction->flow) : 0.0;
            if ($into !== null && $deg > self::LEVEL_DEG) {
                $round = Roll::markMm($deg, $into->system->pipe($fitting->part->size)->outsideMm);
                $says[] = "{$fitting->part->sizeInWords()} {$fitting->part->name}: its branch rolled ".
                    round($deg).'° up from level, '.
                    $this->length($round).' round the pipe';
            }
        }

        return $says;
    }

    /** Where pipe that stands is held. */
    private function hangers(Run $run): string
    {
        $layout = $this->job->run($run->id);
        $places = array_map(
            fn (Hanger $hanger): string => $this->length($hanger->tapeMm($layout)),
            $this->job->hanging($run->id)->places(),
        );
        $word = $this->job->job()->units === Units::Inch ? 'hangers' : 'clips';

        return "{$run->name}: ".count($places)." {$word}, at ".implode(', ', $places);
    }

    private function length(float $mm): string
    {
        return (new Tape)->said($mm, $this->job->job()->units);
    }
}
