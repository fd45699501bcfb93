<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Question;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Heavy questions that are on their way. */
final class QuestionController
{
    /** Calls off what the asker no longer waits for: it ends at once, and its turn goes to the next. */
    public function destroy(Request $request, string $key): Response
    {
        // By its number, as it is written to everywhere: who comes by the key meets whoever takes it away the other way
        // round.
        $asked = Question::query()->where('user_id', User::asking($request)->id)->where('key', $key)->pluck('id');
        foreach ($asked as $id) {
            Question::query()
                ->whereKey($id)
                ->update(['is_called_off' => true]);
        }

        return new Response(status: 204);
    }
}
