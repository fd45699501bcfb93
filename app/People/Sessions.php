<?php

declare(strict_types=1);

namespace App\People;

use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * The devices on which somebody is signed in.
 *
 * @phpstan-type SignedInDevice array{device: string, last_seen: string, here: bool}
 */
final class Sessions
{
    /** @return list<SignedInDevice> the one seen last first */
    public static function of(User $user, Request $request): array
    {
        $rows = self::table($user)
            ->where('last_activity', '>', Carbon::now()->getTimestamp() - 60 * self::lifetimeMinutes())
            ->orderByDesc('last_activity')
            ->limit(50)
            ->get(['id', 'user_agent', 'last_activity']);
        $devices = [];
        foreach ($rows as $row) {
            $devices[] = [
                'device' => self::named(is_string($row->user_agent) ? $row->user_agent : ''),
                'last_seen' => Carbon::createFromTimestamp(
                    is_int($row->last_activity) ? $row->last_activity : 0,
                )->toIso8601String(),
                'here' => $row->id === $request->session()->getId(),
            ];
        }

        return $devices;
    }

    /** Signs somebody out everywhere but in one session, or everywhere. */
    public static function end(User $user, ?string $but = null): void
    {
        $sessions = self::table($user);
        if ($but !== null) {
            $sessions->where('id', '!=', $but);
        }
        $sessions->delete();
        // Whoever ticked to be remembered is not.
        $user->forceFill(['remember_token' => null])->save();
    }

    private static function table(User $user): Builder
    {
        return DB::table('sessions')->where('user_id', $user->id);
    }

    private static function lifetimeMinutes(): int
    {
        $minutes = config('session.lifetime');

        return is_int($minutes) ? $minutes : 0;
    }

    /** What a browser says of itself, in a few words. */
    public static function named(string $agent): string
    {
        $has = static fn (string $word): bool => str_contains($agent, $word);
        $system = match (true) {
            $has('Android') => 'Android',
            $has('iPhone') || $has('iPad') => 'iPhone or iPad',
            $has('Windows') => 'Windows',
            $has('Mac OS') => 'Mac',
            $has('Linux') => 'Linux',
            default => '',
        };
        $browser = match (true) {
            $has('Firefox/') => 'Firefox',
            $has('Edg/') => 'Edge',
            $has('Chrome/') || $has('Chromium/') => 'Chrome or Chromium',
            $has('Safari/') => 'Safari',
            default => 'A device',
        };

        return $system === '' ? $browser : "{$browser} on {$system}";
    }
}
