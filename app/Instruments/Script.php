<?php

declare(strict_types=1);

namespace App\Instruments;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * What happens to stand-ins and when, for tests and demonstrations: lines of JSON, each with `at` in seconds, `device`,
 * and any of `value`, `battery`, `inches`, `press`.
 */
final class Script
{
    /** @var list<array{at: float, device: string, said: Fields}> still to come, in their order */
    private array $left;

    /**
     * @param float $speed how many times faster than it says
     *
     * @throws BadInput with the number of the line that is wrong
     */
    public function __construct(string $text, private readonly float $speed)
    {
        $lines = [];
        foreach (explode("\n", trim($text)) as $n => $line) {
            $decoded = json_decode($line, true, 4);
            if (! is_array($decoded)) {
                throw BadInput::at('line '.($n + 1), 'is no object of JSON', $line);
            }
            $said = Fields::of($decoded, 'line '.($n + 1));
            $at = $said->number('at', 0, 86_400);
            $lines[] = ['at' => $at, 'device' => $said->string('device', 40), 'said' => $said];
        }
        usort($lines, static fn (array $a, array $b): int => $a['at'] <=> $b['at']);
        $this->left = $lines;
    }

    /**
     * Does what is due.
     *
     * @param float $elapsed seconds since it was begun
     *
     * @throws BadInput if a line says something that is none
     */
    public function play(InstrumentHub $hub, float $elapsed): void
    {
        while ($this->left !== [] && $this->left[0]['at'] <= $elapsed * $this->speed) {
            ['device' => $device, 'said' => $said] = array_shift($this->left);
            $standIn = $hub->standIn($device);
            if ($standIn === null) {
                throw BadInput::at($said->at('device'), 'is no stand-in', $device);
            }
            if ($said->has('value')) {
                $standIn->holdTo($said->number('value'));
            }
            if ($said->has('battery')) {
                $standIn->setBattery($said->number('battery', 0, 1));
            }
            if ($said->has('inches')) {
                $standIn->setInInches($said->bool('inches', false));
            }
            if ($said->bool('press', false)) {
                $hub->press($standIn);
            }
            $said->end();
        }
    }

    public function isOver(): bool
    {
        return $this->left === [];
    }
}
