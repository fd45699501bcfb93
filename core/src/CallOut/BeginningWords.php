<?php

declare(strict_types=1);

namespace FallBend\Core\CallOut;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Catalog\FixtureVariant;
use FallBend\Core\Job\BranchAt;
use FallBend\Core\Job\End;
use FallBend\Core\Job\FixtureHead;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Job\Terminal;
use FallBend\Core\Job\TrapKind;
use FallBend\Core\Measure\TapeReader;
use FallBend\Core\Measure\Units;
use FallBend\Core\Measure\UnreadableLength;

/**
 * The words that a run begins with, taken one thing after the other from the left.
 *
 * @phpstan-type Said array{
 *     size: ?string,
 *     system: ?string,
 *     facing: float,
 *     group: string,
 *     trap: ?string,
 *     rim: ?float,
 *     seal: ?float,
 *     standpipe: ?float,
 *     variant: ?string,
 * }
 * @phpstan-type Option array{
 *     size?: string,
 *     system?: string,
 *     facing?: float,
 *     group?: string,
 *     trap?: string,
 *     variant?: string,
 * }
 */
final class BeginningWords
{
    /** What fixtures are called. */
    public const FIXTURES = [
        'basin' => FixtureKind::Lavatory,
        'lavatory' => FixtureKind::Lavatory,
        'lav' => FixtureKind::Lavatory,
        'washbasin' => FixtureKind::Lavatory,
        'bidet' => FixtureKind::Bidet,
        'bathtub' => FixtureKind::Bath,
        'bath' => FixtureKind::Bath,
        'tub' => FixtureKind::Bath,
        'shower' => FixtureKind::Shower,
        'kitchen sink' => FixtureKind::KitchenSink,
        'kitchen' => FixtureKind::KitchenSink,
        'bar sink' => FixtureKind::BarSink,
        'mop sink' => FixtureKind::MopSink,
        'service sink' => FixtureKind::MopSink,
        'sink' => FixtureKind::Sink,
        'dishwasher' => FixtureKind::Dishwasher,
        'laundry tub' => FixtureKind::LaundryTub,
        'laundry' => FixtureKind::LaundryTub,
        'washer' => FixtureKind::ClothesWasher,
        'standpipe' => FixtureKind::ClothesWasher,
        'closet' => FixtureKind::WaterCloset,
        'toilet' => FixtureKind::WaterCloset,
        'wc' => FixtureKind::WaterCloset,
        'floor drain' => FixtureKind::FloorDrain,
        'urinal' => FixtureKind::Urinal,
        'camper inlet' => FixtureKind::CamperInlet,
    ];

    private const FROM_WHAT = 'Say what it comes from: a fixture, roof, vent off a run, or from "…".';

    private const SIZE_OR_HEIGHT = 'Its size, or how tall it is? Say “size 2” for the pipe, “standpipe 30” for the height.';

    /** A size of pipe, with its unit or without. */
    private const SIZE = '(?<size>\d+(?:[\s-]\d+\/\d+)?)(?:\s*"|\s*in\b|\s*mm\b)?';

    /** No standpipe is so low: whoever says less means the size of its pipe. */
    private const LOWEST_STANDPIPE_MM = 152.4;

    private const HEADINGS = ['north' => 0.0, 'east' => 90.0, 'south' => 180.0, 'west' => 270.0];

    private readonly TapeReader $tape;

    private readonly PipeWords $pipes;

    /** What is not taken yet. */
    private string $rest;

    private ?string $name = null;

    /** What it comes from, as it was said. */
    private ?string $what = null;

    private ?BranchAt $branch = null;

    /** @var list<Unread> */
    private array $unread = [];

    /** @var Said */
    private array $said = [
        'size' => null,
        'system' => null,
        'facing' => 0.0,
        'group' => '',
        'trap' => null,
        'rim' => null,
        'seal' => null,
        'standpipe' => null,
        'variant' => null,
    ];

    /** @param int $at where the words begin in the whole line, in characters */
    public function __construct(
        private readonly Job $job,
        private readonly Catalogue $catalogue,
        private readonly string $text,
        private readonly int $at,
    ) {
        $this->tape = new TapeReader($job->units);
        $this->pipes = PipeWords::of($job, $catalogue);
        $this->rest = $text;
    }

    /** Reads all of them; what is not understood is named with its place. */
    public function read(): RunBeginning
    {
        if (preg_match('/^\s*([\p{L}\p{N}][\p{L}\p{N} \-]{0,39}):/u', $this->rest, $m) === 1) {
            $this->name = trim($m[1]);
            $this->take($m[0]);
        }
        while (trim($this->rest) !== '') {
            $this->rest = ltrim($this->rest);
            $left = mb_strtolower($this->rest);
            $isTaken =
                $this->takeClosetBend($left) ||
                ($this->what === null && ($this->takeVent($left) || $this->takeFixture($left) || $this->takeName())) ||
                $this->takeSizeForHeight($left) ||
                $this->takeOption($left) ||
                $this->takePipe($left);
            if (! $isTaken) {
                $this->takeUnknown();
            }
        }
        if ($this->what === null && $this->unread === []) {
            $this->unread[] = new Unread($this->at, max(1, mb_strlen(trim($this->text))), self::FROM_WHAT);
        }

        return $this->beginning();
    }

    private function beginning(): RunBeginning
    {
        $said = $this->said;
        $called =
            $this->name ??
            match ($this->what) {
                'vent' => 'vent of '.($this->job->run($this->branch->run ?? '')->name ?? ''),
                null => 'run',
                default => $this->what,
            };
        $outlet = $this->unread === [] && $this->what !== null ? $this->outlet($this->what, $called) : null;

        return new RunBeginning($called, $outlet, $said['size'], $said['system'], $said['facing'], $this->unread);
    }

    private function take(string $words): void
    {
        $this->rest = mb_substr($this->rest, mb_strlen($words));
    }

    /** Notes words that begin what is left as not understood. */
    private function refuse(string $words, string $why): void
    {
        $this->unread[] = new Unread(
            $this->at + mb_strlen($this->text) - mb_strlen($this->rest),
            mb_strlen($words),
            $why,
        );
    }

    /** Takes `vent off …`; what follows cannot be read where that place is none. */
    private function takeVent(string $left): bool
    {
        if (preg_match('/^vent\s+(?:off|from|of)\s+/u', $left, $m) !== 1) {
            return false;
        }
        [$this->branch, $words, $problem] = Places::read(mb_substr($this->rest, mb_strlen($m[0])), $this->job);
        if ($problem === null) {
            $this->what = 'vent';
            $this->take($m[0].$words);
        } else {
            $this->refuse(rtrim($this->rest), $problem);
            $this->rest = '';
        }

        return true;
    }

    private function takeFixture(string $left): bool
    {
        $words = array_map(
            static fn (string $word): string => str_replace(' ', '\s+', preg_quote($word, '/')),
            array_keys(self::FIXTURES),
        );
        $fixtures = implode('|', $words);
        if (preg_match("/^(?:an?\s+|the\s+)?({$fixtures}|roof|valve|cap|cleanout)(?=\s|$)/u", $left, $m) !== 1) {
            return false;
        }
        $this->what = (string) preg_replace('/\s+/', ' ', $m[1]);
        $this->take($m[0]);

        return true;
    }

    /** Takes `from "…"`, or `from a 3 in wye`: a fitting that stands. */
    private function takeName(): bool
    {
        $fitting = '/^from\s+(?:an?\s+|the\s+)?(?:'.self::SIZE.'\s+)?'.
            '(?<what>san\s+tee|wye|y|combo|tee|bend|elbow|coupling|stub|flange)(?=\s|$)/iu';
        if (preg_match($fitting, $this->rest, $m) === 1) {
            $size = (string) preg_replace('/\s+/', '-', $m['size']);
            $unit = $this->job->units === Units::Inch ? ' in' : '';
            $fitting = (string) preg_replace('/\s+/', ' ', mb_strtolower($m['what']));
            $called = $size === '' ? $fitting : "{$size}{$unit} {$fitting}";
            [$this->what, $this->name] = ['socket', $this->name ?? $called];
            $this->said['size'] = $size === '' ? $this->said['size'] : $size;
            $this->take($m[0]);

            return true;
        }
        if (preg_match('/^from\s+"([^"]{1,80})"/u', $this->rest, $m) !== 1) {
            return false;
        }
        [$this->what, $this->name] = ['socket', $this->name ?? $m[1]];
        $this->take($m[0]);

        return true;
    }

    /** A closet bend needs a leg that comes down into it: what to say is said. */
    private function takeClosetBend(string $left): bool
    {
        if (preg_match('/^(?:an?\s+)?'.Words::CLOSET_BEND.'(?=\s|$)/u', $left, $m) !== 1) {
            return false;
        }
        $this->refuse($m[0], PhraseReader::CLOSET_BEND);
        $this->take($m[0]);

        return true;
    }

    /** Takes what pipe is called; what is not laid out is named. */
    private function takePipe(string $left): bool
    {
        $named = $this->pipes->named($left);
        if ($named === null) {
            return false;
        }
        [$system, $words] = $named;
        $refusal = $this->pipes->refusal($system);
        if ($refusal !== null) {
            $this->refuse($words, $refusal);
        }
        $this->said['system'] = $system;
        $this->take($words);

        return true;
    }

    private function takeSizeForHeight(string $left): bool
    {
        $words = $this->sizeForHeight($left);
        if ($words === null) {
            return false;
        }
        $this->refuse($words, self::SIZE_OR_HEIGHT);
        $this->take($words);

        return true;
    }

    private function takeUnknown(): void
    {
        $word = preg_match('/^\S+/u', $this->rest, $m) === 1 ? $m[0] : $this->rest;
        $short = mb_strimwidth($word, 0, 30, '…');
        $this->refuse(
            $word,
            $this->what === null
                ? self::FROM_WHAT
                : "Not understood: “{$short}”. After the fixture come its size, group, rim, trap, use, or facing.",
        );
        $this->take($word);
    }

    /** Takes one thing that is said beside what the run comes from. */
    private function takeOption(string $left): bool
    {
        [$said, $words] = self::variant($left) ?? $this->option($left);
        if ($said === null) {
            return $this->takeLength($left);
        }
        $this->said = [...$this->said, ...$said];
        $this->take($words);

        return true;
    }

    /** @return ?array{Option, string} who uses a fixture, how it flushes, how many heads it has; null: none of these */
    private static function variant(string $left): ?array
    {
        if (preg_match('/^([2-6])\s+heads(?=\s|$)/u', $left, $m) === 1) {
            return [['variant' => "heads-{$m[1]}"], $m[0]];
        }
        if (preg_match('/^(public|assembly|flush\s+valve)(?=\s|$)/u', $left, $m) === 1) {
            return [['variant' => (string) preg_replace('/\s+/', '-', $m[1])], $m[0]];
        }

        return null;
    }

    /** @return array{Option|null, string} what is said, and the words that say it; null: none of these */
    private function option(string $left): array
    {
        $quoted = static fn (string $key): string => preg_quote($key, '/');
        $systems = implode('|', array_map($quoted, $this->catalogue->laidKeys()));
        $traps = implode('|', array_column(TrapKind::cases(), 'value'));
        $size = '/^(?:size\s+)?'.self::SIZE.'(?=\s|$)/u';

        return match (1) {
            preg_match($size, $left, $m) => [['size' => (string) preg_replace('/\s+/', '-', $m['size'])], $m[0]],
            preg_match('/^group\s+([\p{L}\p{N}]{1,20})(?=\s|$)/u', $left, $m) => [['group' => $m[1]], $m[0]],
            preg_match('/^facing\s+(north|east|south|west)(?=\s|$)/u', $left, $m) => [
                ['facing' => self::HEADINGS[$m[1]]],
                $m[0],
            ],
            preg_match("/^trap\s+({$traps})(?=\s|$)/u", $left, $m) => [['trap' => $m[1]], $m[0]],
            preg_match("/^in\s+({$systems})(?=\s|$)/u", $left, $m) => [['system' => $m[1]], $m[0]],
            default => [null, ''],
        };
    }

    private function takeLength(string $left): bool
    {
        if (preg_match('/^(rim|seal|standpipe)\s+('.Words::length().')/u', $left, $m) !== 1) {
            return false;
        }
        try {
            $mm = $this->tape->read($m[2])->toMm();
            $this->said = match ($m[1]) {
                'rim' => [...$this->said, 'rim' => $mm],
                'seal' => [...$this->said, 'seal' => $mm],
                default => [...$this->said, 'standpipe' => $mm],
            };
        } catch (UnreadableLength) {
            return false;
        }
        $this->take($m[0]);

        return true;
    }

    /** Gives the words where a standpipe is said to be as tall as a pipe is wide, or null. */
    private function sizeForHeight(string $left): ?string
    {
        if (preg_match('/^standpipe\s+('.Words::length().')/u', $left, $m) !== 1) {
            return null;
        }
        try {
            return $this->tape->read($m[1])->toMm() < self::LOWEST_STANDPIPE_MM ? rtrim($m[0]) : null;
        } catch (UnreadableLength) {
            return null;
        }
    }

    private function outlet(string $what, string $name): End
    {
        $said = $this->said;
        if ($this->branch !== null) {
            return new End('vent take-off', RunEndKind::Branch, branch: $this->branch);
        }
        $kind = self::FIXTURES[$what] ?? null;
        if ($kind !== null) {
            $trap = $said['trap'] === null ? TrapKind::usual($kind) : TrapKind::from($said['trap']);

            return new End(
                $name,
                RunEndKind::Fixture,
                fixture: new FixtureHead(
                    $kind,
                    $trap,
                    null,
                    $said['seal'],
                    null,
                    null,
                    $said['standpipe'],
                    null,
                    $said['rim'],
                    null,
                    $said['group'],
                    $said['variant'] === null ? null : FixtureVariant::from($said['variant']),
                ),
            );
        }

        return new End(
            $what === 'socket' ? $name : $what,
            RunEndKind::from($what),
            terminal: in_array($what, ['roof', 'valve'], true) ? new Terminal : null,
        );
    }
}
