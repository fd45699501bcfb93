<?php

declare(strict_types=1);

namespace FallBend\Core\CallOut;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\FixtureTable;
use FallBend\Core\Job\BranchAt;
use FallBend\Core\Job\End;
use FallBend\Core\Job\FixtureHead;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Job\Terminal;
use FallBend\Core\Measure\TapeReader;
use FallBend\Core\Measure\UnreadableLength;

/** Reads how a run begins: a name with a colon, what it comes from, and what is known of that, in any order. */
final readonly class BeginningReader
{
    /** What fixtures are called. */
    public const FIXTURES = [
        'basin' => 'lavatory',
        'lavatory' => 'lavatory',
        'lav' => 'lavatory',
        'washbasin' => 'lavatory',
        'bidet' => 'bidet',
        'bathtub' => 'bath',
        'bath' => 'bath',
        'tub' => 'bath',
        'shower' => 'shower',
        'kitchen sink' => 'kitchen-sink',
        'kitchen' => 'kitchen-sink',
        'bar sink' => 'bar-sink',
        'mop sink' => 'mop-sink',
        'service sink' => 'mop-sink',
        'sink' => 'sink',
        'dishwasher' => 'dishwasher',
        'laundry tub' => 'laundry-tub',
        'laundry' => 'laundry-tub',
        'washer' => 'clothes-washer',
        'standpipe' => 'clothes-washer',
        'closet' => 'water-closet',
        'toilet' => 'water-closet',
        'wc' => 'water-closet',
        'floor drain' => 'floor-drain',
        'urinal' => 'urinal',
        'camper inlet' => 'camper-inlet',
    ];

    private const FROM_WHAT = 'Say what it comes from: a fixture, roof, vent off a run, or from "…".';

    private const SIZE_OR_HEIGHT = 'Its size, or how tall it is? Say “size 2” for the pipe, “standpipe 30” for the height.';

    /** No standpipe is so low: whoever says less means the size of its pipe. */
    private const LOWEST_STANDPIPE_MM = 152.4;

    private const HEADINGS = ['north' => 0.0, 'east' => 90.0, 'south' => 180.0, 'west' => 270.0];

    private TapeReader $tape;

    public function __construct(private Job $job, private Catalogue $catalogue)
    {
        $this->tape = new TapeReader($job->units);
    }

    /** @param int $at where the phrase begins in the whole line, in characters */
    public function read(string $text, int $at): RunBeginning
    {
        $rest = $text;
        $name = null;
        if (preg_match('/^\s*([\p{L}\p{N}][\p{L}\p{N} \-]{0,39}):/u', $rest, $m) === 1) {
            $name = trim($m[1]);
            $rest = mb_substr($rest, mb_strlen($m[0]));
        }
        $offset = static fn (string $left): int => $at + mb_strlen($text) - mb_strlen($left);
        $lower = static fn (string $left): string => mb_strtolower(ltrim($left));
        $said = [
            'size' => null,
            'system' => null,
            'facing' => 0.0,
            'group' => '',
            'trap' => null,
            'rim' => null,
            'seal' => null,
            'standpipe' => null,
        ];
        [$what, $unread, $branch] = [null, [], null];
        $fixtures = implode(
            '|',
            array_map(
                static fn (string $word): string => str_replace(' ', '\s+', preg_quote($word, '/')),
                array_keys(self::FIXTURES),
            ),
        );
        while (trim($rest) !== '') {
            $rest = ltrim($rest);
            $left = $lower($rest);
            if ($what === null && preg_match('/^vent\s+(?:off|from|of)\s+/u', $left, $m) === 1) {
                [$branch, $words, $problem] = Places::read(mb_substr($rest, mb_strlen($m[0])), $this->job);
                if ($problem !== null) {
                    $unread[] = new Unread($offset($rest), mb_strlen(rtrim($rest)), $problem);
                    break;
                }
                $what = 'vent';
                $rest = mb_substr($rest, mb_strlen($m[0]) + mb_strlen($words));
            } elseif (
                $what === null &&
                preg_match("/^(?:an?\s+|the\s+)?({$fixtures}|roof|valve|cap|cleanout)(?=\s|$)/u", $left, $m) === 1
            ) {
                $what = (string) preg_replace('/\s+/', ' ', $m[1]);
                $rest = mb_substr($rest, mb_strlen($m[0]));
            } elseif ($what === null && preg_match('/^from\s+"([^"]{1,80})"/u', $rest, $m) === 1) {
                [$what, $name] = ['socket', $name ?? $m[1]];
                $rest = mb_substr($rest, mb_strlen($m[0]));
            } elseif (($words = $this->sizeForHeight($left)) !== null) {
                $unread[] = new Unread($offset($rest), mb_strlen($words), self::SIZE_OR_HEIGHT);
                $rest = mb_substr($rest, mb_strlen($words));
            } elseif (($taken = $this->option($left, $rest, $said)) !== null) {
                $rest = mb_substr($rest, $taken);
            } else {
                preg_match('/^\S+/u', $rest, $m);
                $word = $m[0] ?? $rest;
                $unread[] = new Unread(
                    $offset($rest),
                    mb_strlen($word),
                    $what === null
                        ? self::FROM_WHAT
                        : 'Not understood: “'.
                            mb_strimwidth($word, 0, 30, '…').
                            '”. After the fixture come its size, group, rim, trap, or facing.',
                );
                $rest = mb_substr($rest, mb_strlen($word));
            }
        }
        if ($what === null && $unread === []) {
            $unread[] = new Unread($at, max(1, mb_strlen(trim($text))), self::FROM_WHAT);
        }
        $called =
            $name ??
            ($what === 'vent' ? 'vent of '.($this->job->run($branch->run ?? '')->name ?? '') : $what ?? 'run');

        return new RunBeginning(
            $called,
            $unread === [] ? $this->outlet($what, $called, $branch, $said) : null,
            $said['size'],
            $said['system'],
            $said['facing'],
            $unread,
        );
    }

    /**
     * @param array{size: ?string, system: ?string, facing: float, group: string, trap: ?string, rim: ?float,
     *     seal: ?float, standpipe: ?float} $said
     */
    private function outlet(string $what, string $name, ?BranchAt $branch, array $said): End
    {
        if ($branch !== null) {
            return new End('vent take-off', RunEndKind::Branch, branch: $branch);
        }
        $kind = self::FIXTURES[$what] ?? null;
        if ($kind !== null) {
            $trap = $said['trap'] ?? (in_array($kind, FixtureTable::INTEGRAL, true) ? 'integral' : 'p');

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
                ),
            );
        }

        return new End(
            $what === 'socket' ? $name : $what,
            RunEndKind::from($what),
            terminal: in_array($what, ['roof', 'valve'], true) ? new Terminal : null,
        );
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

    /**
     * Reads one thing that is said beside the head.
     *
     * @param array{size: ?string, system: ?string, facing: float, group: string, trap: ?string, rim: ?float,
     *     seal: ?float, standpipe: ?float} $said
     *
     * @param-out array{size: ?string, system: ?string, facing: float, group: string, trap: ?string, rim: ?float,
     *     seal: ?float, standpipe: ?float} $said
     *
     * @return ?int how many characters it took; null: none of these
     */
    private function option(string $left, string $rest, array &$said): ?int
    {
        if (preg_match('/^(?:size\s+)?(\d+(?:[\s-]\d+\/\d+)?)(?:\s*"|\s*in\b)?(?=\s|$)/u', $left, $m) === 1) {
            $said['size'] = (string) preg_replace('/\s+/', '-', $m[1]);

            return mb_strlen($m[0]);
        }
        if (preg_match('/^group\s+([\p{L}\p{N}]{1,20})(?=\s|$)/u', $left, $m) === 1) {
            $said['group'] = $m[1];

            return mb_strlen($m[0]);
        }
        if (preg_match('/^facing\s+(north|east|south|west)(?=\s|$)/u', $left, $m) === 1) {
            $said['facing'] = self::HEADINGS[$m[1]];

            return mb_strlen($m[0]);
        }
        if (preg_match('/^trap\s+('.implode('|', FixtureHead::TRAPS).')(?=\s|$)/u', $left, $m) === 1) {
            $said['trap'] = $m[1];

            return mb_strlen($m[0]);
        }
        if (
            preg_match(
                '/^in\s+('.
                    implode(
                        '|',
                        array_map(
                            static fn (string $key): string => preg_quote($key, '/'),
                            $this->catalogue->laidKeys(),
                        ),
                    ).
                    ')(?=\s|$)/u',
                $left,
                $m,
            ) === 1
        ) {
            $said['system'] = $m[1];

            return mb_strlen($m[0]);
        }
        if (preg_match('/^(rim|seal|standpipe)\s+('.Words::length().')/u', $left, $m) === 1) {
            try {
                $mm = $this->tape->read($m[2])->toMm();
                $said = match ($m[1]) {
                    'rim' => ['rim' => $mm] + $said,
                    'seal' => ['seal' => $mm] + $said,
                    default => ['standpipe' => $mm] + $said,
                };

                return mb_strlen($m[0]);
            } catch (UnreadableLength) {
                return null;
            }
        }

        return null;
    }
}
