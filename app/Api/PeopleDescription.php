<?php

declare(strict_types=1);

namespace App\Api;

/** The calls about people: signing in, the first account, invitations, passwords, crews. */
final class PeopleDescription
{
    private const TEXT = ['type' => 'string'];

    private const NAME = ['type' => 'string', 'maxLength' => 80];

    /** @return array<string, mixed> */
    public static function paths(): array
    {
        return self::ofSessions() +
            self::ofTheEntrance() +
            self::ofInvitations() +
            self::ofAccounts() +
            self::ofCrews();
    }

    /** @return array<string, mixed> */
    private static function ofSessions(): array
    {
        return [
            '/api/session' => [
                'get' => Calls::describe('Who is signed in', null, 'Account'),
                'post' => Calls::describe(
                    'Sign in',
                    Shapes::object(['email' => self::TEXT, 'password' => self::TEXT]),
                    'Account',
                    [422 => 'Problem', 429 => 'Problem'],
                ),
                'delete' => Calls::describe('Sign out', null, null, [], 204),
            ],
        ];
    }

    /** @return array<string, mixed> what is open to those who are not signed in */
    private static function ofTheEntrance(): array
    {
        $person = ['name' => self::NAME, 'email' => self::TEXT, 'password' => self::TEXT];

        return [
            '/api/entrance' => [
                'get' => Calls::describe(
                    'Whether the first account is still to be made, and whether letters are sent',
                    null,
                    'Entrance',
                ),
            ],
            '/api/entrance/first' => [
                'post' => Calls::describe(
                    'The first account of an empty installation, with its crew; it is signed in',
                    Shapes::object($person + ['crew' => self::NAME]),
                    'Account',
                    [409 => 'Problem', 422 => 'Problem', 429 => 'Problem'],
                    201,
                ),
            ],
            '/api/entrance/forgotten' => [
                'post' => Calls::describe(
                    'Send a link to a new password to whoever has an account with the address',
                    Shapes::object(['email' => self::TEXT]),
                    null,
                    [422 => 'Problem', 429 => 'Problem'],
                    204,
                ),
            ],
            '/api/entrance/reset' => [
                'post' => Calls::describe(
                    'Set a new password with what stood in the letter; it is signed in here, and nowhere else',
                    Shapes::object(['email' => self::TEXT, 'token' => self::TEXT, 'password' => self::TEXT]),
                    'Account',
                    [422 => 'Problem', 429 => 'Problem'],
                ),
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function ofInvitations(): array
    {
        $token = ['parameters' => [self::inPath('token', self::TEXT)]];

        return [
            '/api/invitations/{token}' => [
                'get' => Calls::describe('What an invitation is to', null, 'OpenInvitation', [404 => 'Problem']) +
                    $token,
                'post' => Calls::describe(
                    'Join a crew: with the account that is signed in, or with a new one',
                    [
                        'type' => 'object',
                        'properties' => ['name' => self::NAME, 'email' => self::TEXT, 'password' => self::TEXT],
                    ],
                    'Account',
                    [404 => 'Problem', 422 => 'Problem', 429 => 'Problem'],
                    201,
                ) + $token,
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function ofAccounts(): array
    {
        return [
            '/api/account' => [
                'put' => Calls::describe(
                    'Change the name that others see',
                    Shapes::object(['name' => self::NAME]),
                    'Account',
                    [422 => 'Problem'],
                ),
            ],
            '/api/account/password' => [
                'put' => Calls::describe(
                    'A new password; every other device is signed out',
                    Shapes::object(['current' => self::TEXT, 'password' => self::TEXT]),
                    null,
                    [422 => 'Problem', 429 => 'Problem'],
                    204,
                ),
            ],
            '/api/account/devices' => [
                'get' => Calls::describe(
                    'The devices on which somebody is signed in',
                    null,
                    Shapes::object(['devices' => Shapes::list(Shapes::ref('SignedInDevice'))]),
                ),
                'delete' => Calls::describe('Sign out every device but this one', null, null, [], 204),
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function ofCrews(): array
    {
        $crew = self::inPath('crew', ['type' => 'integer']);
        $at = ['parameters' => [$crew]];
        $named = Shapes::object(['name' => self::NAME]);
        $problems = [404 => 'Problem', 422 => 'Problem'];

        return [
            '/api/crews' => [
                'post' => Calls::describe('Start another crew', $named, 'Account', [422 => 'Problem'], 201),
            ],
            '/api/crews/{crew}' => [
                'get' => Calls::describe('Who is in a crew', null, 'CrewPeople', [404 => 'Problem']) + $at,
                'put' => Calls::describe('Change the name of a crew', $named, 'Account', $problems) + $at,
            ],
            '/api/crews/{crew}/choose' => [
                'post' => Calls::describe('Work for a crew from now on', null, 'Account', [404 => 'Problem']) + $at,
            ],
            '/api/crews/{crew}/invitations' => [
                'post' => Calls::describe(
                    'A new invitation; what stands in its link is said this once',
                    Shapes::object(['for' => self::NAME]),
                    Shapes::object(['invitation' => Shapes::ref('Invitation'), 'link' => self::TEXT]),
                    $problems,
                    201,
                ) + $at,
            ],
            '/api/crews/{crew}/invitations/{invitation}' => [
                'delete' => Calls::describe('Withdraw an invitation', null, null, [404 => 'Problem'], 204) + [
                    'parameters' => [$crew, self::inPath('invitation', ['type' => 'integer'])],
                ],
            ],
        ];
    }

    /**
     * @param array<string, mixed> $schema
     * @return array<string, mixed>
     */
    private static function inPath(string $name, array $schema): array
    {
        return ['name' => $name, 'in' => 'path', 'required' => true, 'schema' => $schema];
    }
}
