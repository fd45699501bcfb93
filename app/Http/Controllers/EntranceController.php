<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Invitation;
use App\Models\User;
use App\People\Attempts;
use App\People\LetIn;
use App\People\Letters;
use App\People\Passwords;
use App\People\SecondFactor;
use App\People\SignUp;
use FallBend\Core\Input\BadInput;
use Illuminate\Auth\Passwords\PasswordBroker;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Password;
use Illuminate\Support\Str;

use function Illuminate\Support\defer;

/**
 * What is open to those who are not signed in: the first account, invitations, a forgotten password.
 *
 * @phpstan-type Entrance array{first: bool, letters: 'sent'|'kept', sign_up: bool}
 * @phpstan-type OpenInvitation array{crew: string, by: string, for: string, role: string, expires_at: string}
 */
final readonly class EntranceController
{
    private const PERSON = ['name' => ['required', 'string', 'max:80'], 'email' => ['required', 'email', 'max:200']];

    public function __construct(private LetIn $letIn) {}

    /** Whether the first account is still to be made, and whether letters are sent or stay on this machine. */
    public function show(): JsonResponse
    {
        return new JsonResponse([
            'first' => $this->letIn->isEmpty(),
            'letters' => config('mail.default') === 'mailbox' ? 'kept' : 'sent',
            'sign_up' => SignUp::isOpen(),
        ]);
    }

    /** The first account of an empty installation, with its crew; it is signed in. */
    public function first(Request $request): JsonResponse
    {
        Attempts::slowDown($request, 'first account');
        /** @var array{name: string, email: string, password: string, crew: string} $given */
        $given = $request->validate(
            self::PERSON + ['password' => Passwords::rules(), 'crew' => ['required', 'string', 'max:80']],
        );
        self::refuseBlank($given);

        return self::signedIn($request, $this->letIn->first($given, trim($given['crew'])), 201);
    }

    /** Sends a letter with a link to whoever wants an account, where anybody may have one. */
    public function askToSignUp(Request $request): JsonResponse
    {
        abort_unless(SignUp::isOpen(), 404);
        Attempts::slowDown($request, 'sign-up');
        /** @var array{email: string} $given */
        $given = $request->validate(['email' => ['required', 'email', 'max:200']]);
        $email = Str::lower($given['email']);
        defer(static fn () => SignUp::write($email));

        return new JsonResponse(null, 204);
    }

    /** An account with a crew of its own, for whoever had the letter. */
    public function signUp(Request $request, string $letter): JsonResponse
    {
        abort_unless(SignUp::isOpen(), 404);
        Attempts::slowDown($request, 'sign-up');
        $email = SignUp::opened($letter);
        /** @var array{name: string, password: string, crew: string} $given */
        $given = $request->validate([
            'name' => self::PERSON['name'],
            'password' => Passwords::rules(),
            'crew' => ['required', 'string', 'max:80'],
        ]);
        self::refuseBlank($given);
        $person = ['name' => $given['name'], 'email' => $email, 'password' => $given['password']];

        return self::signedIn($request, $this->letIn->withCrew($person, trim($given['crew'])), 201);
    }

    public function invitation(Request $request, string $token): JsonResponse
    {
        Attempts::slowDown($request, 'invitation', 30);
        $invitation = Invitation::opened($token);

        return new JsonResponse([
            'crew' => $invitation->crew->name,
            'by' => $invitation->author->name,
            'for' => $invitation->for,
            'role' => $invitation->role->value,
            'expires_at' => $invitation->expires_at->toIso8601String(),
        ]);
    }

    /** Joins a crew: with the account that is signed in, or with a new one. */
    public function accept(Request $request, string $token): JsonResponse
    {
        Attempts::slowDown($request, 'invitation', 30);
        $asking = $request->user();
        if ($asking instanceof User) {
            return new JsonResponse(SessionController::account($this->letIn->accept($token, $asking)));
        }
        /** @var array{name: string, email: string, password: string} $given */
        $given = $request->validate(self::PERSON + ['password' => Passwords::rules()]);
        self::refuseBlank($given);

        return self::signedIn($request, $this->letIn->accept($token, $given), 201);
    }

    /** Sends a link to a new password to whoever has an account with the address; it says nothing of who has. */
    public function forgotten(Request $request): JsonResponse
    {
        Attempts::slowDown($request, 'forgotten');
        /** @var array{email: string} $given */
        $given = $request->validate(['email' => ['required', 'email', 'max:200']]);
        $email = Str::lower($given['email']);
        // Once it is answered: the time taken does not tell who has an account.
        defer(static fn () => Password::sendResetLink(
            ['email' => $email],
            static fn (User $user, string $token) => self::send($user, $token),
        ));

        return new JsonResponse(null, 204);
    }

    /** Sets a new password with what stood in the letter, and signs out whoever was signed in with the old one. */
    public function reset(Request $request): JsonResponse
    {
        Attempts::slowDown($request, 'reset');
        /** @var array{email: string, token: string, password: string, code?: string} $given */
        $given = $request->validate([
            'code' => ['string', 'max:20'],
            'email' => ['required', 'email', 'max:200'],
            'token' => ['required', 'string', 'max:200'],
            'password' => Passwords::rules(),
        ]);
        $this->askForCode($request, $given['email'], $given['token'], $given['code'] ?? '');
        unset($given['code']);
        $done = null;
        $result = Password::reset($given, static function (User $user, string $password) use (&$done): void {
            Passwords::set($user, $password, 'password-by-letter');
            $done = $user;
        });
        if ($result !== PasswordBroker::PASSWORD_RESET || ! $done instanceof User) {
            throw BadInput::at('token', 'This link opens nothing any more. Ask for a new one.');
        }

        return self::signedIn($request, $done);
    }

    /** A mailbox alone opens no account that has a second factor. Without the letter nobody is told that it has one. */
    private function askForCode(Request $request, string $email, string $token, string $code): void
    {
        $user = User::query()->where('email', Str::lower($email))->first();
        if ($user !== null && Password::tokenExists($user, $token)) {
            SecondFactor::ask($request, $user, $code);
        }
    }

    private static function send(User $user, string $token): void
    {
        $root = Letters::root();
        $link = "{$root}/reset/{$token}?email=".rawurlencode($user->email);
        $text = <<<TEXT
            Hello {$user->name},

            somebody, most likely you, asked for a new password for {$user->email} at {$root}.

            Open this within an hour, on any device, and choose one:
            {$link}

            If it was not you, do nothing: your password stays as it is.
            TEXT;
        Letters::send($user->email, $user->name, 'Fall Bend: choose a new password', $text);
    }

    private static function signedIn(Request $request, User $user, int $status = 200): JsonResponse
    {
        Auth::login($user);
        $request->session()->regenerate();

        return new JsonResponse(SessionController::account($user), $status);
    }

    /** @param array<string, string> $given */
    private static function refuseBlank(array $given): void
    {
        foreach (['name', 'crew'] as $field) {
            if (trim($given[$field] ?? '-') === '') {
                throw BadInput::at($field, 'must be said', $given[$field]);
            }
        }
    }
}
