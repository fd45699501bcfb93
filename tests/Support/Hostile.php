<?php

declare(strict_types=1);

namespace Tests\Support;

use FallBend\Core\Tests\Reckon\ReckonersTest;
use Random\Randomizer;

/**
 * Requests that mean no good, by chance: over every POST and PUT of docs/openapi.json and every reckoner. A body is a
 * demo job, or
 * what the description allows, with something in it pushed to an end, doubled, dropped, nested, or of another kind. A
 * job grows
 * large only where `isLarge` lets it: what is bounded is still large.
 */
final class Hostile
{
    private const NUMBERS = [
        0,
        -1,
        1,
        2,
        0.5,
        1e-9,
        -1e-9,
        0.01,
        3.175,
        25.4,
        179.99,
        180,
        360,
        999_999,
        1_000_000,
        1_000_001,
        1e9,
        1e15,
        -1e15,
        1e300,
        400_000,
        2_147_483_648,
        9_223_372_036_854_775_807,
    ];

    private const PHRASES = [
        'left',
        'right',
        'up',
        'down',
        'north',
        'on',
        'back',
        '70°',
        '24',
        '24 1/2',
        '1200',
        "54' 6 1/2\"",
        '1e9',
        '0',
        '-3',
        '1/0',
        '99999999999999999999',
        'fall 1/4',
        'fall 1/0',
        '2%',
        '1:0',
        'level',
        'drop 2',
        'close',
        'with',
        'with long sweep',
        'size 3',
        'size 0',
        '"',
        '"a name"',
        '(',
        'rest',
        '½',
        '⅞',
        '°',
        'to stop',
        'banana',
        '/',
        '//',
        '😀',
        "\u{202e}",
        "\u{0}",
        'into stack 60',
        'roof',
        'vent off stack 20',
    ];

    private const TEXTS = [
        '',
        ' ',
        '0',
        'null',
        "a\u{0}b",
        '../../etc/passwd',
        '<script>alert(1)</script>',
        "'; DROP TABLE jobs; --",
        '=1+1',
        '{{7*7}}',
        '%s%n',
        "\u{202e}abc",
        '😀',
        "\u{fffd}",
        'constructor',
        '__proto__',
        'l1',
        'l1.1',
        'run',
        'stack',
        'house',
        '2',
        '110',
        'pvc-dwv-40',
    ];

    /** @var array<string, mixed> */
    private array $description;

    /** @var list<array{string, string, array<string, mixed>}> method, path, schema of the body */
    private array $operations = [];

    /** @var list<array<string, mixed>> */
    private array $demos;

    /** @var array<string, list<array<string, mixed>>> inputs that reckoners answer, by name */
    private array $inputs = [];

    /** @var array<string, int> the newest revision of each job, as far as was heard */
    private array $revisions;

    /** @param list<string> $jobs ids of jobs that may be written to */
    public function __construct(private readonly Randomizer $chance, private readonly array $jobs)
    {
        $this->revisions = array_fill_keys($jobs, 1);
        foreach (
            [...iterator_to_array(ReckonersTest::examples(), false), ...iterator_to_array(ReckonersTest::kept(), false)] as [$name, $input]
        ) {
            $this->inputs[$name][] = $input;
        }
        $root = dirname(__DIR__, 2);
        $this->description = (array) json_decode((string) file_get_contents("{$root}/docs/openapi.json"), true);
        foreach (['mill-row-pottery', 'weir-cottage-office'] as $demo) {
            $this->demos[] = (array) json_decode(
                (string) file_get_contents("{$root}/database/demo/{$demo}.json"),
                true,
            );
        }
        foreach ($this->description['paths'] as $path => $methods) {
            foreach (array_intersect_key($methods, ['post' => 1, 'put' => 1]) as $method => $operation) {
                $schema = $operation['requestBody']['content']['application/json']['schema'] ?? [];
                if ($path === '/api/reckon/{name}') {
                    foreach ($schema['oneOf'] as $input) {
                        $name = strtolower(
                            (string) preg_replace(
                                '/(?<!^)[A-Z]/',
                                '-$0',
                                substr((string) strrchr($input['$ref'], '/'), 1, -5),
                            ),
                        );
                        $this->operations[] = ['POST', "/api/reckon/{$name}", $input];
                    }
                } elseif ($path !== '/api/session') {
                    $this->operations[] = [strtoupper($method), $path, $schema];
                }
            }
        }
    }

    /** @return list<string> every method and path that may come */
    public function paths(): array
    {
        return array_map(static fn (array $operation): string => "{$operation[0]} {$operation[1]}", $this->operations);
    }

    /**
     * @return array{0: string, 1: string, 2: array<array-key, mixed>|string, 3: array<string, string>} method, path,
     *     body, headers
     */
    public function request(): array
    {
        // Each operation as often as the other, the reckoners among them.
        [$method, $path, $schema] = $this->one($this->operations);
        $id = $this->one($this->jobs);
        $body = $this->body($path, $schema, $id);
        for ($n = $this->one([0, 0, 0, 1, 1, 2, 3]); $n > 0; $n--) {
            $body = $this->mutated($body);
        }
        $path = str_replace(
            '{id}',
            $this->chance->getInt(0, 40) === 0 ? $this->one(['x', '0', '01ARZ3NDEKTSV4RRFFQ69G5FAV', '%00']) : $id,
            $path,
        );
        $headers =
            $this->chance->getInt(0, 9) === 0 ? ['Idempotency-Key' => 'hostile-'.$this->chance->getInt(1, 30)] : [];
        $raw = json_encode(
            $body,
            JSON_UNESCAPED_UNICODE |
                JSON_INVALID_UTF8_SUBSTITUTE |
                JSON_PARTIAL_OUTPUT_ON_ERROR |
                JSON_PRESERVE_ZERO_FRACTION,
            2_000,
        );

        return [
            $method,
            $path,
            $this->chance->getInt(0, 60) === 0 ? $this->torn((string) $raw) : (string) $raw,
            $headers,
        ];
    }

    /** Hears what became of a request, so that the next ones meet what is there. */
    public function heard(string $path, Answer $answer): void
    {
        $revision = $answer->status === 200 || $answer->status === 409 ? $answer->json()['revision'] ?? null : null;
        if (is_int($revision) && preg_match('#^/api/jobs/(\w+)#', $path, $m) === 1 && isset($this->revisions[$m[1]])) {
            $this->revisions[$m[1]] = $revision;
        }
    }

    /** @param array<string, mixed> $schema */
    private function body(string $path, array $schema, string $job): mixed
    {
        $reckoner = substr((string) strrchr($path, '/'), 1);
        if (isset($this->inputs[$reckoner]) && $this->chance->getInt(0, 3) !== 0) {
            return $this->grown($this->one($this->inputs[$reckoner]));
        }
        $body = $this->made($schema, 0);
        if (! is_array($body)) {
            return $body;
        }
        if (isset($body['text']) && str_ends_with($path, '/import')) {
            $body['text'] = json_encode($this->document(), JSON_PARTIAL_OUTPUT_ON_ERROR);
        }
        $runs = $body['document']['runs'] ?? null;
        $run = is_array($runs) && $runs !== [] ? $this->one($runs) : null;
        if (isset($body['run']) && is_array($run)) {
            $body['run'] = $run['id'] ?? '';
        }
        if (isset($body['call_out'])) {
            $body['call_out'] = [
                'run' => $this->chance->getInt(0, 3) === 0 ? '+' : $run['id'] ?? '',
                'text' => $this->text(),
            ];
        }
        if (isset($body['joint'])) {
            $body['joint'] = $this->one(['outlet', 'tie-in', 'l2.in', 'l2.out']);
            unset($body['single']);
        }
        if (isset($body['from']) && is_int($body['from']) && $this->chance->getInt(0, 5) !== 0) {
            $body['from'] = $this->revisions[$job] ?? 1;
        }
        if (isset($body['to']) && is_int($body['to'])) {
            $body['to'] = $this->chance->getInt(1, $this->revisions[$job] ?? 1);
        }

        return $body;
    }

    /**
     * The same question of more things: whatever is listed is listed again and again, each a little other than before.
     *
     * @param array<string, mixed> $input
     * @return array<string, mixed>
     */
    private function grown(array $input): array
    {
        if ($this->chance->getInt(0, 2) !== 0) {
            return $input;
        }
        foreach ($input as $key => $list) {
            if (is_array($list) && array_is_list($list) && is_array($list[0] ?? null)) {
                $more = [];
                for ($n = $this->one([5, 12, 40, 200]); $n > 0; $n--) {
                    $more[] = $this->nudged($this->one($list));
                }
                $input[$key] = [...$list, ...$more];
            }
        }

        return $input;
    }

    private function nudged(mixed $value): mixed
    {
        return match (true) {
            is_array($value) => array_map($this->nudged(...), $value),
            is_float($value) => ($value * $this->chance->getInt(500, 1_500)) / 1_000,
            is_int($value) && $value > 3 => (int) (($value * $this->chance->getInt(500, 1_500)) / 1_000),
            is_string($value) && preg_match('/^(p\d+|[A-Z]|\d+)$/', $value) === 1 => $value.
                $this->chance->getInt(0, 60),
            default => $value,
        };
    }

    /** A job, more or less. */
    private function document(): mixed
    {
        $document = $this->one($this->demos);
        $edits = new RandomEdits($this->chance);
        if ($this->chance->getInt(0, 2) === 0) {
            $document = $edits->edited($document);
        }
        if ($this->chance->getInt(0, 3) === 0) {
            $document = $edits->ledgerTouched($document);
        }
        if ($this->chance->getInt(0, 5) === 0) {
            // One run of many legs: long, but for its length an honest one.
            $legs = [];
            for ($n = 1, $most = $this->chance->getInt(2, 60); $n <= $most; $n++) {
                $legs[] = [
                    'id' => "l{$n}",
                    'way' => $this->one(['left', 'right', 'on', 'up', 'down', 'east']),
                    'length_mm' => $this->one([5, 40, 300, 300.5, 1_200, 30_000]),
                ];
            }
            $document['runs'] = [
                ['legs' => $legs, 'next_leg' => count($legs) + 1] +
                array_diff_key($this->one($document['runs']), ['marks' => 1]),
            ];
            $document = array_diff_key($document, ['obstacles' => 1, 'moves' => 1, 'hanging' => 1, 'cutting' => 1]);
        }
        for ($n = $this->one([0, 0, 0, 0, 1, 2]); $n > 0; $n--) {
            $document = $this->mutated($document);
        }

        return $document;
    }

    /** @param array<string, mixed> $schema */
    private function made(array $schema, int $depth): mixed
    {
        if (isset($schema['$ref'])) {
            $name = substr((string) strrchr($schema['$ref'], '/'), 1);

            return $name === 'JobDocument'
                ? $this->document()
                : $this->made($this->description['components']['schemas'][$name] ?? [], $depth);
        }
        foreach (['oneOf', 'anyOf'] as $some) {
            if (isset($schema[$some]) && ! isset($schema['properties'])) {
                return $this->made($this->one($schema[$some]), $depth);
            }
        }
        if (array_key_exists('const', $schema)) {
            return $schema['const'];
        }
        if (isset($schema['enum'])) {
            return $this->one($schema['enum']);
        }
        $type = is_array($schema['type'] ?? null) ? $this->one($schema['type']) : $schema['type'] ?? 'object';

        return match ($type) {
            'null' => null,
            'boolean' => $this->chance->getInt(0, 1) === 1,
            'integer' => (int) $this->number($schema, true),
            'number' => $this->number($schema, false),
            'string' => $this->text(),
            'array' => $this->items($schema, $depth),
            default => $this->object($schema, $depth),
        };
    }

    /**
     * @param array<string, mixed> $schema
     * @return list<mixed>
     */
    private function items(array $schema, int $depth): array
    {
        $least = (int) ($schema['minItems'] ?? 0);
        $most = min((int) ($schema['maxItems'] ?? 40), $depth > 2 ? 3 : $this->one([1, 2, 5, 20, 200]));
        $list = [];
        for ($n = $this->chance->getInt($least, max($least, $most)); $n > 0; $n--) {
            $list[] = $this->made($schema['items'] ?? [], $depth + 1);
        }

        return $list;
    }

    /**
     * @param array<string, mixed> $schema
     * @return array<string, mixed>
     */
    private function object(array $schema, int $depth): array
    {
        $object = [];
        foreach ($schema['properties'] ?? [] as $name => $property) {
            if (in_array($name, $schema['required'] ?? [], true) || $this->chance->getInt(0, $depth + 2) === 0) {
                $object[$name] = $this->made($property, $depth + 1);
            }
        }

        return $object;
    }

    /** @param array<string, mixed> $schema */
    private function number(array $schema, bool $isWhole): float|int
    {
        [$least, $most] = [
            $schema['minimum'] ?? ($schema['exclusiveMinimum'] ?? -1000),
            $schema['maximum'] ?? ($schema['exclusiveMaximum'] ?? 10_000),
        ];
        $value = match ($this->chance->getInt(0, 9)) {
            0 => $least,
            1 => $most,
            2 => $this->one(self::NUMBERS),
            // Most lengths of a pipe are small, whatever else may be said.
            default => $least +
                ($this->chance->getInt(0, 1_000_000) / 1_000_000) ** 3 * (min($most, $least + 20_000) - $least),
        };

        return $isWhole ? (int) min(PHP_INT_MAX, max(PHP_INT_MIN, $value)) : $value;
    }

    private function text(): string
    {
        return match ($this->chance->getInt(0, 3)) {
            0 => $this->one(self::TEXTS),
            1 => str_repeat($this->one(['a', 'ü', '😀', ' ', '/', '9']), $this->one([1, 50, 201, 5_000])),
            default => implode(
                ' ',
                array_map(fn (): string => $this->one(self::PHRASES), range(1, $this->chance->getInt(1, 60))),
            ),
        };
    }

    /** Something in it is no longer what it was. */
    private function mutated(mixed $value): mixed
    {
        if (! is_array($value) || $value === []) {
            return $this->other($value);
        }
        // Further in as often as not.
        if ($this->chance->getInt(0, 3) !== 0) {
            $key = $this->one(array_keys($value));
            $value[$key] = $this->mutated($value[$key]);

            return $value;
        }
        $key = $this->one(array_keys($value));
        switch ($this->chance->getInt(0, 5)) {
            case 0:
                $isList = array_is_list($value);
                unset($value[$key]);

                return $isList ? array_values($value) : $value;
            case 1:
                return array_is_list($value)
                    ? [...$value, $value[$key]]
                    : [$this->one(self::TEXTS) => $value[$key]] + $value;
            case 2:
                return array_is_list($value)
                    ? array_merge(...array_fill(0, $this->one([2, 3, 10]), array_slice($value, 0, 40)))
                    : $value;
            case 3:
                $value[$key] = $this->nested($this->one([5, 40, 70, 600]));

                return $value;
            case 4:
                return array_is_list($value) ? $this->chance->shuffleArray($value) : array_slice($value, 0, -1, true);
            default:
                $value[$key] = $this->other($value[$key]);

                return $value;
        }
    }

    private function other(mixed $value): mixed
    {
        if ($this->chance->getInt(0, 5) === 0) {
            return $this->one([null, true, [], (object) [], 'text', 7, [[]], $this->text()]);
        }

        return match (true) {
            is_bool($value) => ! $value,
            is_int($value) || is_float($value) => $this->one([
                ...self::NUMBERS,
                -$value,
                $value + 1,
                $value * 1.0001,
                $value * 1000,
                $value / 1000,
            ]),
            is_string($value) => $this->chance->getInt(0, 1) === 0 ? $this->text() : $value.$this->one(self::TEXTS),
            default => $this->one(self::NUMBERS),
        };
    }

    private function nested(int $depth): mixed
    {
        $value = 1;
        for ($n = 0; $n < $depth; $n++) {
            $value = $n % 2 === 0 ? [$value] : ['a' => $value];
        }

        return $value;
    }

    private function torn(string $json): string
    {
        return match ($this->chance->getInt(0, 3)) {
            0 => substr($json, 0, $this->chance->getInt(0, strlen($json))),
            1 => str_replace(':', ':1e999,"x":', $json),
            2 => $json.$json,
            default => "\xff\xfe".$json,
        };
    }

    /**
     * @param array<array-key, mixed> $of
     */
    private function one(array $of): mixed
    {
        assert($of !== []);

        return $of[$this->chance->pickArrayKeys($of, 1)[0]];
    }
}
