<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Input\BadInput;

/**
 * Which letter stands on which piece and which number on which joint. They live on the pipe, so they are allotted once,
 * never shifted, never used again: the ledger only grows. What is written on the pipe has the figure of the run before
 * it, which no other run of the job has: piece 7A, joint 7.3.
 *
 * Invariant: no two pieces have one letter, no two joints one number, and what is next is past all of them.
 */
final readonly class Marks
{
    /** Letters have four places at the most; the index of the first letter that is never allotted. */
    public const PIECES_END = 400_000;

    /** The first number of a joint that is never allotted. */
    public const JOINTS_END = 1_000_001;

    /** So many pieces, and so many joints, a ledger remembers at the most, whether they are still there or not. */
    public const MOST = 20_000;

    /** The first figure of a run that is never allotted. */
    public const FIGURES_END = 100_000;

    /** The longest name of a place. */
    public const LONGEST_KEY = 200;

    /**
     * Beyond this, the oldest marks of places that are no longer there are forgotten. They are not used again either.
     */
    private const REMEMBERED = 10_000;

    /**
     * @param array<string, string> $pieces letter by piece key
     * @param array<string, int> $joints number by joint key
     * @param int $figure of the run, from 1; 0: the run has none, and its marks stand alone
     */
    public function __construct(
        public array $pieces = [],
        public array $joints = [],
        public int $nextPiece = 0,
        public int $nextJoint = 1,
        public int $figure = 0,
    ) {}

    /** Whether nothing was marked yet. */
    public function isEmpty(): bool
    {
        return $this->nextPiece === 0 && $this->nextJoint === 1;
    }

    /** The same ledger with another figure before its marks. */
    public function withFigure(int $figure): self
    {
        return new self($this->pieces, $this->joints, $this->nextPiece, $this->nextJoint, $figure);
    }

    /** Gives what is written on a piece that has a letter: `7A`. */
    public function onPiece(string $key): string
    {
        return $this->figure === 0 ? $this->pieces[$key] : "{$this->figure}{$this->pieces[$key]}";
    }

    /** Gives what is written at a joint that has a number: `7.3`. */
    public function atJoint(string $key): string
    {
        return $this->ofNumber($this->joints[$key]);
    }

    /** Gives what is written at the joint of a number within the run. */
    public function ofNumber(int $number): string
    {
        return $this->figure === 0 ? (string) $number : "{$this->figure}.{$number}";
    }

    /** Gives the letter with an index from 0: A … Z, AA, AB … */
    public static function letter(int $index): string
    {
        $letter = '';
        for ($i = $index + 1; $i > 0; $i = intdiv($i - 1, 26)) {
            $letter = chr(65 + (($i - 1) % 26)).$letter;
        }

        return $letter;
    }

    /** Gives the index from 0 of a letter made of A to Z; −1 for anything else. */
    public static function index(string $letter): int
    {
        if (preg_match('/^[A-Z]{1,4}\z/', $letter) !== 1) {
            return -1;
        }
        $index = 0;
        foreach (str_split($letter) as $char) {
            $index = $index * 26 + ord($char) - 64;
        }

        return $index - 1;
    }

    /**
     * Gives the ledger with a mark for each of these keys: what is marked keeps its mark, what is new takes the next
     * free
     * one in the order given.
     *
     * @param list<string> $pieces
     * @param list<string> $joints
     *
     * @throws BadInput if there is no letter or number left
     */
    public function allot(array $pieces, array $joints): self
    {
        [$letters, $numbers] = [$this->pieces, $this->joints];
        [$nextPiece, $nextJoint] = [$this->nextPiece, $this->nextJoint];
        foreach ($pieces as $key) {
            $letters[$key] ??= self::letter($nextPiece++);
        }
        foreach ($joints as $key) {
            $numbers[$key] ??= $nextJoint++;
        }
        if ($nextPiece > self::PIECES_END || $nextJoint > self::JOINTS_END) {
            throw BadInput::at('', 'A run has used up its letters and numbers. Start another run for what is new.');
        }

        return new self(
            self::remembered($letters, $pieces),
            self::remembered($numbers, $joints),
            $nextPiece,
            $nextJoint,
            $this->figure,
        );
    }

    /**
     * Gives this ledger with what a later plan has marked besides. What is marked here keeps its mark; a place that
     * only
     * the plan knows keeps its own, unless that is taken here or stands twice: then it takes the next free one.
     */
    public function joined(self $plan): self
    {
        $nextPiece = max($this->nextPiece, $plan->nextPiece);
        $nextJoint = max($this->nextJoint, $plan->nextJoint);
        $letters = $this->pieces;
        $taken = array_flip($letters);
        foreach ($plan->pieces as $key => $letter) {
            if (! isset($letters[$key])) {
                $letters[$key] = isset($taken[$letter]) ? self::letter($nextPiece++) : $letter;
                $taken[$letter] = $key;
            }
        }
        $numbers = $this->joints;
        $used = array_flip($numbers);
        foreach ($plan->joints as $key => $number) {
            if (! isset($numbers[$key])) {
                $numbers[$key] = isset($used[$number]) ? $nextJoint++ : $number;
                $used[$number] = $key;
            }
        }

        return new self(
            $letters,
            $numbers,
            $nextPiece,
            $nextJoint,
            $this->figure === 0 && $this->isEmpty() ? $plan->figure : $this->figure,
        );
    }

    /**
     * @template T of int|string
     *
     * @param array<string, T> $marks
     * @param list<string> $present
     * @return array<string, T> without the oldest of those that are no longer there, where there are very many
     */
    private static function remembered(array $marks, array $present): array
    {
        $surplus = count($marks) - self::REMEMBERED;
        if ($surplus <= 0) {
            return $marks;
        }
        $gone = array_slice(array_diff_key($marks, array_flip($present)), 0, $surplus, true);

        return array_diff_key($marks, $gone);
    }
}
