<?php

declare(strict_types=1);

namespace FallBend\Core\Identify;

use FallBend\Core\Measure\Length;
use FallBend\Core\Measure\Phrasing;
use FallBend\Core\Measure\Spelling;
use FallBend\Core\Measure\TapePrinter;
use FallBend\Core\Measure\Units;

/**
 * Writes what the evidence means: candidates with their likelihood and because-lines, and the next check as a question
 * with its answers.
 *
 * @phpstan-import-type Lookalike from Lookalikes
 */
final readonly class IdentifyReport
{
    /** How many candidates that are out are shown beside the likely ones. */
    private const OUT_SHOWN = 4;

    private const LB_PER_FT_KG_PER_M = 1.48816394;

    /** From which share of pipes that no table has on work stops for those that harm. */
    private const STOP_FROM = 0.1;

    private const STOP = 'Stop before you cut, drill, scrape or clamp it: it may be %s, whose dust or fibres harm for '.
        'good. Have it tested or looked at by a specialist first.';

    private Phrasing $phrasing;

    public function __construct(private Units $units)
    {
        $this->phrasing = new Phrasing($units);
    }

    /**
     * @param list<Candidate> $ranked
     * @return array{candidates: list<array<string, mixed>>, excluded: list<array<string, mixed>>, none: array<string,
     *     mixed>, next_check: ?array<string, mixed>}
     */
    public function write(array $ranked, Evidence $evidence): array
    {
        $in = array_values(array_filter($ranked, static fn (Candidate $c): bool => $c->out === null));
        $near = array_values(
            array_filter($ranked, static fn (Candidate $c): bool => $c->out !== null && self::isNear($c, $evidence)),
        );
        $check = NextCheck::best($ranked, $evidence);

        return [
            'candidates' => array_map(
                fn (Candidate $c): array => $this->candidate($c, $in, $evidence),
                array_slice($in, 0, 12),
            ),
            'excluded' => array_map(
                fn (Candidate $c): array => $this->lane($c) + ['out' => $this->out($c, $evidence)],
                array_slice($near, 0, self::OUT_SHOWN),
            ),
            'none' => $this->none($in, $evidence),
            'next_check' => $check === null ? null : $this->check($check, $ranked),
        ];
    }

    /**
     * What is to be thought of pipes that no table here has: lead and asbestos cement are among them.
     *
     * @param list<Candidate> $in
     * @return array{likelihood: float, is_likeliest: bool, say: string, stop: ?string, may_be: list<Lookalike>}
     */
    private function none(array $in, Evidence $evidence): array
    {
        $share = max(0.0, 1 - array_sum(array_map(static fn (Candidate $c): float => $c->likelihood, $in)));
        $isLikeliest = $share > ($in[0]->likelihood ?? 0.0);
        $fits =
            array_filter(
                $in,
                static fn (Candidate $c): bool => ! in_array(false, array_column($c->facts, 'holds'), true),
            ) !== [];
        $like = Lookalikes::like($evidence);
        $harm = array_column(array_filter($like, static fn (array $one): bool => $one['stops']), 'name');
        $isStopped = $harm !== [] && ($share >= self::STOP_FROM || (! $fits && $evidence->magnet === false));

        return [
            'likelihood' => $share,
            'is_likeliest' => $isLikeliest,
            'say' => Spelling::in($this->units, match (true) {
                $isLikeliest => 'None of these is likely with what was seen: it may be a pipe that no table here has. Measure again with a calliper, '.
                    'look for a print, or add it at the Bench.',
                ! $fits => 'None of these fits all that was seen: it may be a pipe that no table here has. Look again at what speaks against it.',
                default => 'Or none of these: a pipe that no table here has.',
            }),
            'stop' => $isStopped ? sprintf(self::STOP, self::either($harm)) : null,
            'may_be' => $like,
        ];
    }

    /** @param non-empty-list<string> $names */
    private static function either(array $names): string
    {
        $last = array_pop($names);

        return $names === [] ? $last : implode(', ', $names)." or {$last}";
    }

    private static function isNear(Candidate $candidate, Evidence $evidence): bool
    {
        return $evidence->outsideMm !== null &&
            abs($candidate->pipe->outsideMm - $evidence->outsideMm) < 0.09 * $evidence->outsideMm + 2;
    }

    /**
     * @param list<Candidate> $in
     * @return array<string, mixed>
     */
    private function candidate(Candidate $c, array $in, Evidence $evidence): array
    {
        $other = $in[0] === $c ? $in[1] ?? null : $in[0];

        return $this->lane($c) + [
            'likelihood' => $c->likelihood,
            'because' => $this->because($c, $evidence),
            'tell_apart' => $other === null ? '' : Spelling::in($this->units, $this->tellApart($c, $other)),
        ];
    }

    /** @return array<string, mixed> */
    private function lane(Candidate $c): array
    {
        return [
            'system' => $c->system->key,
            'size' => $c->pipe->size,
            'nominal' => "{$c->system->name}, {$c->pipe->size} ".($c->system->region === 'us' ? 'in' : 'mm'),
            'short' => "{$c->system->short} {$c->pipe->size}",
            'material' => $c->system->material,
            'drain' => $c->system->isDrain,
            'ends' => $c->system->ends,
            'joints_seen' => $c->system->jointsSeen,
            'od_mm' => $c->pipe->outsideMm,
            'low_mm' => $c->lowMm(),
            'high_mm' => $c->highMm(),
            'od_said' => $this->phrasing->diameter($c->pipe->outsideMm),
            'round_said' => TapePrinter::withUnit(Length::mm($c->pipe->outsideMm * M_PI), $this->units),
            'doubtful' => $c->pipe->provenance->isDoubtful() || ! $c->pipe->isToleranceStated,
            'source' => $c->pipe->provenance->toArray(),
        ];
    }

    /** @return list<string> */
    private function because(Candidate $c, Evidence $evidence): array
    {
        $lines = [];
        foreach ($c->facts as ['fact' => $fact, 'holds' => $holds]) {
            $lines[] = match ($fact) {
                'diameter' => $this->diameterLine($c, $evidence, $holds),
                'magnet' => ($evidence->magnet === true
                    ? 'A magnet holds: iron or steel.'
                    : 'No magnet holds: not iron, not steel.').($holds ? '' : ' That speaks against it.'),
                'wall' => $c->pipe->wallMm === null
                    ? 'Its wall is not in the tables.'
                    : 'Its wall is '.
                        $this->phrasing->diameter($c->pipe->wallMm).
                        ($holds ? ', as measured.' : '; that speaks against it.'),
                'weight' => $c->pipe->kgPerM === null
                    ? 'Its weight is not in the tables.'
                    : "It weighs {$this->perLength($c->pipe->kgPerM)}".
                        ($holds ? ', as weighed.' : '; that speaks against it.'),
                'colour' => Spelling::in($this->units, $holds
                    ? "{$this->upper($evidence->colour)} is one of its colours."
                    : "It is seldom {$evidence->colour}."),
                'print' => $holds ? 'The print names it.' : 'The print names another pipe.',
                'joint' => $holds ? 'It is found with such a joint.' : 'It is not made with such a joint.',
                default => $holds ? 'Common here.' : 'Not common here.',
            };
        }

        return $lines;
    }

    /** Says a weight for its length: `3.6 lb per ft`, `5.3 kg per m`. */
    private function perLength(float $kgPerM): string
    {
        return $this->units === Units::Inch
            ? round($kgPerM / self::LB_PER_FT_KG_PER_M, 1).' lb per ft'
            : round($kgPerM, 1).' kg per m';
    }

    private function diameterLine(Candidate $c, Evidence $evidence, bool $holds): string
    {
        $range = $this->phrasing->diameter($c->lowMm()).' to '.$this->phrasing->diameter($c->highMm());
        $read =
            $evidence->outsideMm === null
                ? ''
                : ($evidence->isString
                    ? TapePrinter::withUnit(Length::mm($evidence->outsideMm * M_PI), $this->units).
                        ' round is '.
                        $this->phrasing->diameter($evidence->outsideMm).
                        ' across; '
                    : $this->phrasing->diameter($evidence->outsideMm).' across; ');

        return $read."its makers allow {$range}".($holds ? '.' : ': at the edge of the reading.');
    }

    private function out(Candidate $c, Evidence $evidence): string
    {
        return match ($c->out) {
            'magnet' => $evidence->magnet === true ? 'out: magnet holds' : 'out: no magnet holds',
            'diameter' => 'out: diameter',
            null => '',
            default => "out: {$c->out}",
        };
    }

    private function tellApart(Candidate $c, Candidate $other): string
    {
        [$a, $b] = [$c->system, $other->system];

        return match (true) {
            $a->isMagnetic !== $b->isMagnetic => "A magnet: it holds on {$this->lower(
                ($a->isMagnetic ? $a : $b)->short,
            )}, not on {$this->lower(($a->isMagnetic ? $b : $a)->short)}.",
            $c->lowMm() - NextCheck::CALLIPER_MM > $other->highMm() ||
                $other->lowMm() - NextCheck::CALLIPER_MM > $c->highMm() => "A calliper: this is {$this->phrasing->diameter($c->pipe->outsideMm)} across, {$this->lower(
                    $b->short,
                )} {$this->phrasing->diameter($other->pipe->outsideMm)}.",
            array_intersect($a->jointsSeen, $b->jointsSeen) === [] => "Its nearest joint: {$this->joint(
                $a->jointsSeen[0] ?? '',
            )} here, {$this->joint($b->jointsSeen[0] ?? '')} on {$this->lower(
                $b->short,
            )}. A finer measure will not: the tolerances overlap.",
            $a->prints !== [] && array_diff($a->prints, $b->prints) !== [] => 'The print: '.
                mb_strtoupper(array_values(array_diff($a->prints, $b->prints))[0]).
                '. '.
                ($c->pipe->outsideMm === $other->pipe->outsideMm ? 'Both take the same fittings by diameter.' : ''),
            default => 'Nothing that can be seen: treat it as either.',
        };
    }

    /**
     * @param array{by: string, answers: list<array{value: string, candidates: list<int>, likelihood: float}>,
     *     bits: float, calliper_decides: bool} $check
     * @param list<Candidate> $ranked
     * @return array<string, mixed>
     */
    private function check(array $check, array $ranked): array
    {
        [$title, $how] = match ($check['by']) {
            'magnet' => [
                'Does a magnet hold?',
                'It pulls through thin paint and rust. Do not scrape a grey pipe before you know what it is.',
            ],
            'joint' => [
                'What is its nearest joint?',
                $check['calliper_decides']
                    ? 'Look along the pipe.'
                    : 'A calliper will not tell: the tolerances overlap.',
            ],
            'calliper' => ['Measure across with a calliper', 'Clean it; twice, crosswise; write down the mean.'],
            'print' => ['Read the print', 'Turn a lamp flat along the pipe; wipe, do not scrape.'],
            'wall' => ['Measure the wall at an end', 'At an end or a hole.'],
            'region' => ['Where does it stand?', 'The two families share names, not sizes.'],
            default => [
                'What colour is it under the paint?',
                'Look where the paint is off already, or at an end. Do not scrape before you know what it is.',
            ],
        };

        return [
            'by' => $check['by'],
            'title' => Spelling::in($this->units, $title),
            'how' => Spelling::in($this->units, $how),
            'bits' => $check['bits'],
            'calliper_decides' => $check['calliper_decides'],
            'answers' => array_map(
                fn (array $answer): array => [
                    'value' => $answer['value'],
                    'label' => $this->answer($check['by'], $answer['value'], $ranked[$answer['candidates'][0] ?? 0]),
                    'leads_to' => $answer['candidates'] === []
                            ? ['none of these']
                            : array_map(
                                static fn (
                                    int $index,
                                ): string => "{$ranked[$index]->system->short} {$ranked[$index]->pipe->size}",
                                $answer['candidates'],
                            ),
                    'likelihood' => $answer['likelihood'],
                ],
                $check['answers'],
            ),
        ];
    }

    private function answer(string $by, string $value, Candidate $first): string
    {
        return match ($by) {
            'magnet' => $value === 'holds' ? 'It holds' : 'It does not',
            'joint' => $this->upper($this->joint($value)),
            'calliper' => 'about '.$this->phrasing->diameter($first->pipe->outsideMm),
            'wall' => 'about '.$this->phrasing->diameter((float) rtrim($value, ' m')),
            'region' => $value === 'uk' ? 'UK' : 'North America',
            'print' => mb_strtoupper($value),
            default => $value,
        };
    }

    private function joint(string $key): string
    {
        return match ($key) {
            'iron-bell' => 'a bell packed with lead or rubber',
            'clay-bell' => 'a clay bell',
            'ring-bell' => 'a bell with a ring',
            'band' => 'a flat band',
            'solvent-socket' => 'a cemented socket',
            'ring-socket' => 'a socket with a ring',
            'thread' => 'a thread',
            'solder' => 'a soldered cup',
            'slip-nut', 'compression-nut' => 'a nut',
            'groove-nut' => 'a grooved nut',
            default => 'none',
        };
    }

    private function upper(string $text): string
    {
        return mb_strtoupper(mb_substr($text, 0, 1)).mb_substr($text, 1);
    }

    private function lower(string $text): string
    {
        return preg_match('/^[A-Z]{2}/', $text) === 1
            ? $text
            : mb_strtolower(mb_substr($text, 0, 1)).mb_substr($text, 1);
    }
}
