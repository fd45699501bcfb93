<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Guide\Coverage;
use Illuminate\Http\JsonResponse;

/** What of a book is judged here, clause by clause. */
final class CoverageController
{
    public function show(string $book, Catalogue $catalogue): JsonResponse
    {
        abort_unless(in_array($book, $catalogue->rulebookKeys(), true), 404, 'There is no such book here.');

        return new JsonResponse(['rows' => Coverage::of($book)]);
    }
}
