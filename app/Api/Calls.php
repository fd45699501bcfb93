<?php

declare(strict_types=1);

namespace App\Api;

/** One call of the HTTP interface, as OpenAPI describes it. */
final class Calls
{
    public const ID = [['name' => 'id', 'in' => 'path', 'required' => true, 'schema' => ['type' => 'string']]];

    public const ENTRY = [['name' => 'entry', 'in' => 'path', 'required' => true, 'schema' => ['type' => 'integer']]];

    /**
     * @param array<string, mixed>|null $body
     * @param string|array<string, mixed>|null $answer a name of a shape, or a shape
     * @param array<int, string> $problems shape by status
     * @return array<string, mixed>
     */
    public static function describe(
        string $summary,
        ?array $body,
        string|array|null $answer,
        array $problems = [],
        int $status = 200,
    ): array {
        $content = static fn (string|array $shape): array => [
            'application/json' => ['schema' => is_string($shape) ? Shapes::ref($shape) : $shape],
        ];
        $answers = [
            (string) $status => ['description' => $summary] +
                ($answer === null ? [] : ['content' => $content($answer)]),
        ];
        foreach ($problems as $code => $shape) {
            $answers[(string) $code] = ['description' => 'What is wrong', 'content' => $content($shape)];
        }

        return ['summary' => $summary] +
            ($body === null ? [] : ['requestBody' => ['required' => true, 'content' => $content($body)]]) + [
                'responses' => $answers,
            ];
    }
}
