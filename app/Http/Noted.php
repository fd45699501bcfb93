<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Log;
use PDOException;
use Symfony\Component\HttpFoundation\Response;
use Throwable;

/** What went wrong on the server: noted without what people said, and told with the name under which it is noted. */
final class Noted
{
    /** So many places on the way to what went wrong are noted. */
    private const PLACES = 12;

    public static function note(Throwable $wrong): void
    {
        Log::error($wrong::class, [
            'says' => self::said($wrong),
            'at' => self::place(['file' => $wrong->getFile(), 'line' => $wrong->getLine()]),
            'from' => array_map(self::place(...), array_slice($wrong->getTrace(), 0, self::PLACES)),
            'because' => $wrong->getPrevious() === null ? null : $wrong->getPrevious()::class,
        ]);
    }

    /** An answer that something went wrong carries the name of the request. */
    public static function named(Response $response): Response
    {
        if ($response->getStatusCode() === 500 && $response instanceof JsonResponse) {
            $id = RequestId::current();
            $response->setData([
                'message' => "Something went wrong on the server. It is noted there as {$id}.",
                'code' => 'server',
                'request' => $id,
            ]);
        }

        return $response;
    }

    /** A database repeats what it was given in what it says: of that only the code is noted. */
    private static function said(Throwable $wrong): string
    {
        return $wrong instanceof PDOException ? "SQLSTATE {$wrong->getCode()}" : $wrong->getMessage();
    }

    /** @param array<string, mixed> $of */
    private static function place(array $of): string
    {
        $file = is_string($of['file'] ?? null) ? $of['file'] : 'the framework';
        $line = is_int($of['line'] ?? null) ? $of['line'] : 0;

        return str_replace(base_path().'/', '', $file).":{$line}";
    }
}
