<?php

declare(strict_types=1);

namespace FallBend\Core\Cutting;

use FallBend\Core\Catalog\StraightFitting;
use FallBend\Core\Job\Job;
use FallBend\Core\Layout\Fitting;
use FallBend\Core\Layout\Piece;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Length;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Measure\TapePrinter;
use FallBend\Core\Measure\Units;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Wording;

/**
 * The cut ticket of a run in words, as it goes on paper: every piece with its length as a tape in the job's units says
 * it, what its ends want, the stick that it comes from, what is other than on the paper before.
 *
 * @phpstan-type TicketPiece array{
 *     letter: string,
 *     length: string,
 *     lines: list<string>,
 *     ends: list<string>,
 *     stick: string,
 *     where: string,
 *     note: string,
 *     cut: bool,
 * }
 */
final readonly class CutTicket
{
    /** What stands at the end of a piece whose next leg was not understood. */
    private const OPEN = 'what follows is not called out yet';

    private Tape $tape;

    /** @var array<string, string> marks of joints, by key */
    private array $marks;

    /** @var array<string, string> how the ends at joints are prepared, by key of the joint */
    private array $prepared;

    /** @param Job $said the job that the run is of */
    public function __construct(private JobCutting $cutting, private RunLayout $layout, private Job $said)
    {
        $this->tape = new Tape;
        $this->marks = array_column($layout->joints, 'mark', 'key');
        $this->prepared = $cutting->ends($layout->run->id);
    }

    /** Gives the width of the cut that the sticks are planned with. */
    public function kerf(): string
    {
        return $this->length($this->cutting->kerf());
    }

    /** @return list<TicketPiece> in the order of flow */
    public function pieces(): array
    {
        $run = $this->layout->run->id;
        $back = $this->cutting->lengths($run);
        $sticks = $this->cutting->sticks($this->cutting->plans());

        return array_map(fn (Piece $piece): array => [
            'letter' => $piece->letter,
            'length' => $piece->isCutKnown
                ? $this->length($this->cutting->longMm($run, $piece) ?? $back[$piece->key])
                : 'measure first',
            'lines' => [
                ...$this->trimmed($run, $piece, $back[$piece->key]),
                ...$this->fromFace($piece, $this->cutting->longMm($run, $piece) ?? $back[$piece->key]),
                ...$this->depthLines($piece),
            ],
            'ends' => $this->ends($piece),
            'stick' => $this->stick($sticks["{$run}|{$piece->key}"] ?? null),
            'where' => $this->where($piece),
            'note' => $this->since($piece),
            'cut' => isset($this->said->site->cut[$run][$piece->key]),
        ], $this->layout->pieces);
    }

    /** @return list<string> of a piece that is cut long: what it will come to, and what to do */
    private function trimmed(string $run, Piece $piece, float $mm): array
    {
        return $this->cutting->longMm($run, $piece) === null
            ? []
            : ["cut long; comes to {$this->length($mm)} ± {$this->within($piece)}: dry-fit, then trim"];
    }

    /** @return list<string> how a piece with a hub is measured: its length runs from the bottom of the hub */
    private function fromFace(Piece $piece, float $mm): array
    {
        $fromFace = $piece->isCutKnown ? $piece->fromFaceMm($mm) : null;

        return $fromFace === null ? [] : ["cut {$this->length($fromFace)} from the face of its hub"];
    }

    /** @return list<string> where the line round the pipe comes at either end */
    private function depthLines(Piece $piece): array
    {
        $line = fn (string $joint, float $mm): string => match (true) {
            ! isset($this->marks[$joint]) => self::OPEN,
            $mm > 0.0 => "joint {$this->marks[$joint]}: line at {$this->length($mm)}",
            default => "joint {$this->marks[$joint]}: its hub",
        };

        return [$line($piece->jointFrom, $piece->depthFromMm), $line($piece->jointTo, $piece->depthToMm)];
    }

    /** @return list<string> how either end is prepared */
    private function ends(Piece $piece): array
    {
        return self::prepared(
            $this->prepared[$piece->jointFrom],
            $this->prepared[$piece->jointTo] ?? '',
            $this->marks[$piece->jointFrom],
            $this->marks[$piece->jointTo] ?? '',
        );
    }

    /** @param array{number: int, mm: float, hubs: string, tight: bool}|null $stick that it comes from */
    private function stick(?array $stick): string
    {
        return $stick === null
            ? ''
            : "stick {$stick['number']}, {$this->long($stick['mm'])}".
                ($stick['hubs'] === '' ? '' : ", {$stick['hubs']}").
                ($stick['tight'] ? '; tight: measure it first' : '');
    }

    private function where(Piece $piece): string
    {
        $what = $this->layout->legs[$piece->leg - 1]->line->leg->what;
        $leg = $what === '' ? "leg {$piece->leg}" : $what;

        return "{$this->layout->system->letters} {$piece->size}, ".
            ($piece->isBetweenPair ? 'between the two bends' : $leg);
    }

    /** What is other than on the ticket that was printed before. */
    private function since(Piece $piece): string
    {
        $run = $this->layout->run->id;
        $printed = $this->said->site->printed[$run] ?? null;

        return match ($this->cutting->since($run, $piece)) {
            'other' => "other than on the ticket of {$printed?->on}: it was ".
                $this->length($printed->pieces[$piece->key]['length_mm'] ?? 0.0),
            'new' => "not on the ticket of {$printed?->on}",
            default => '',
        };
    }

    /** @return list<string> letters that stand on the paper before and are cut no longer */
    public function gone(): array
    {
        return $this->cutting->gone($this->layout->run->id);
    }

    /**
     * @return list<string> how each fitting is turned, in the order of flow: between which joints, which, and the mark
     *     from the heel of the bend before
     */
    public function turns(): array
    {
        return array_map(function (Fitting $fitting): string {
            $joints = implode(
                ' - ',
                array_map(
                    static fn ($joint): string => $joint->mark,
                    array_filter($this->layout->joints, static fn ($joint): bool => $joint->fitting === $fitting->key),
                ),
            );

            return "{$joints}:  {$fitting->part->size} ".
                ($this->said->units === Units::Inch ? 'in' : 'mm').
                " {$fitting->part->name}{$this->rolled($fitting)}";
        }, $this->layout->fittings);
    }

    /** @return list<string> couplings and the like whose lengths are doubtful: measured before anything is cut */
    public function doubtful(): array
    {
        $names = [];
        foreach ($this->layout->fittings as $fitting) {
            $part = $fitting->part;
            if ($part instanceof StraightFitting && $part->provenance->isDoubtful()) {
                $names[] = "{$part->sizeInWords()} {$part->name}";
            }
        }

        return array_values(array_unique($names));
    }

    /** @return list<string> fittings of which one is worth measuring, with what it spares, the most useful first */
    public function worthMeasuring(): array
    {
        $names = [];
        foreach ($this->cutting->worthMeasuring() as $one) {
            if (in_array($this->layout->run->id, $one['runs'], true)) {
                $pieces = $one['pieces'] === 1 ? 'one piece gets' : "{$one['pieces']} pieces get";
                $names[] = "one {$one['name']}: {$pieces} exact";
            }
        }

        return $names;
    }

    /**
     * @param list<Finding> $findings of the run
     * @return list<string> what must be settled before anything is cut
     */
    public function holds(array $findings): array
    {
        $wording = new Wording($this->said->units);

        return array_values(
            array_map(
                static fn (Finding $finding): string => ($finding->where->leg === null
                    ? ''
                    : "leg {$finding->where->leg}: ").$wording->sentences($finding)['title'],
                array_filter($findings, static fn (Finding $finding): bool => $finding->severity === Severity::Stop),
            ),
        );
    }

    /** @return list<string> what both ends want, or each by itself */
    private static function prepared(string $from, string $to, string $first, string $second): array
    {
        return match (true) {
            $from === $to => $from === '' ? [] : ["both ends: {$from}"],
            default => array_values(
                array_filter(
                    [$from === '' ? '' : "at {$first}: {$from}", $to === '' ? '' : "at {$second}: {$to}"],
                    static fn (string $end): bool => $end !== '',
                ),
            ),
        };
    }

    private function rolled(Fitting $fitting): string
    {
        $deg = $fitting->rollDeg === null ? null : (int) round(abs($fitting->rollDeg));

        return match (true) {
            $deg === null => '',
            $deg === 0 => ': turns the same way',
            $deg === 180 => ': turned right over, 180°'.$this->mark($fitting),
            default => ": rolled {$deg}° ".
                ($fitting->rollDeg > 0 ? 'clockwise' : 'anticlockwise').
                $this->mark($fitting),
        };
    }

    private function mark(Fitting $fitting): string
    {
        return $fitting->markMm === null ? '' : ", mark {$this->length(abs($fitting->markMm))}";
    }

    private function length(float $mm): string
    {
        return $this->tape->said($mm, $this->said->units);
    }

    private function within(Piece $piece): string
    {
        return TapePrinter::within(Length::mm($piece->doubtMm()), $this->said->units);
    }

    private function long(float $mm): string
    {
        return $this->tape->long($mm, $this->said->units);
    }
}
