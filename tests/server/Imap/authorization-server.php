<?php

declare(strict_types=1);

/*
 * A small authorization server (RFC 6749 with RFC 7636 and RFC 7662) for tests, as a script of PHP's own server. The folder in FOLDER
 * holds what it knows (state.json), and how it behaves: "lifetime", seconds that an access token holds; "trouble", a status with which
 * it answers instead.
 */

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\RedirectResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;

require dirname(__DIR__, 3).'/vendor/autoload.php';

$folder = (string) getenv('FOLDER');
$file = fopen($folder.'/state.json', 'c+');
assert(false !== $file);
flock($file, \LOCK_EX);
/**
 * @var array{
 *     codes: array<string, array{user: string, challenge: string, back: string}>, refresh: array<string, string>,
 *     access: array<string, array{user: string, until: int}>, asked: list<string>
 * } $state
 */
$state = json_decode((string) stream_get_contents($file), true) ?: ['codes' => [], 'refresh' => [], 'access' => [], 'asked' => []];
$setting = static fn (string $name, int $else): int => is_file("{$folder}/{$name}")
    ? (int) file_get_contents("{$folder}/{$name}")
    : $else;
$request = Request::createFromGlobals();
[$query, $form, $path] = [$request->query, $request->request, $request->getPathInfo()];
$html = static fn (string $text): string => htmlspecialchars($text, \ENT_QUOTES);
$refused = static fn (): Response => new JsonResponse(['error' => 'invalid_grant', 'error_description' => $form->getString('code')], 400);
$give = static function (string $user) use (&$state, $setting): Response {
    [$access, $refresh, $seconds] = [bin2hex(random_bytes(20)), bin2hex(random_bytes(20)), $setting('lifetime', 3600)];
    $state['access'][$access] = ['user' => $user, 'until' => time() + $seconds];
    $state['refresh'][$refresh] = $user;

    return new JsonResponse(['access_token' => $access, 'token_type' => 'Bearer', 'expires_in' => $seconds, 'refresh_token' => $refresh]);
};
$authorize = static function () use ($query, $request, $html): Response {
    $isRight = 'code' === $query->getString('response_type') && 'tern-point' === $query->getString('client_id')
        && 'S256' === $query->getString('code_challenge_method') && 43 === strlen($query->getString('code_challenge'));
    $no = $query->getString('redirect_uri').'?'.http_build_query(['error' => 'access_denied', 'state' => $query->getString('state')]);

    return $isRight ? new Response('<!doctype html><html lang="en"><title>Example Mail</title><h1>Example Mail</h1><p>'
        .'<a href="/allow?'.$html($request->server->getString('QUERY_STRING')).'">Allow</a> <a href="'.$html($no).'">Do not allow</a></p>')
        : new Response('What is asked for is not right.', 400);
};
$allow = static function () use (&$state, $query): Response {
    $code = bin2hex(random_bytes(20));
    $state['codes'][$code] = [
        'user' => explode('@', $query->getString('login_hint'))[0],
        'challenge' => $query->getString('code_challenge'),
        'back' => $query->getString('redirect_uri'),
    ];

    return new RedirectResponse(
        $query->getString('redirect_uri').'?'.http_build_query(['code' => $code, 'state' => $query->getString('state')]),
    );
};
// Codes and refresh tokens are each good for one time.
$byCode = static function () use (&$state, $form, $give, $refused): Response {
    $code = $state['codes'][$form->getString('code')] ?? null;
    unset($state['codes'][$form->getString('code')]);
    $challenge = rtrim(strtr(base64_encode(hash('sha256', $form->getString('code_verifier'), true)), '+/', '-_'), '=');
    $isRight = null !== $code && hash_equals($code['challenge'], $challenge) && $code['back'] === $form->getString('redirect_uri');

    return $isRight ? $give($code['user']) : $refused();
};
$byRefresh = static function () use (&$state, $form, $give, $refused): Response {
    $user = $state['refresh'][$form->getString('refresh_token')] ?? null;
    unset($state['refresh'][$form->getString('refresh_token')]);

    return null === $user ? $refused() : $give($user);
};
$introspect = static function () use (&$state, $query): Response {
    $access = $state['access'][$query->getString('token')] ?? null;

    return new JsonResponse(null === $access || $access['until'] <= time()
        ? ['active' => false]
        : ['active' => true, 'username' => $access['user']]);
};

$state['asked'][] = $path.' '.$form->getString('grant_type');
$trouble = $setting('trouble', 0);
$response = match (true) {
    $trouble > 0 => new JsonResponse(['error' => 'server_error'], $trouble),
    '/authorize' === $path => $authorize(),
    '/allow' === $path => $allow(),
    '/token' === $path && 'authorization_code' === $form->getString('grant_type') => $byCode(),
    '/token' === $path && 'refresh_token' === $form->getString('grant_type') => $byRefresh(),
    '/introspect' === $path => $introspect(),
    default => new JsonResponse(['error' => 'not_found'], 404),
};
ftruncate($file, 0);
rewind($file);
fwrite($file, json_encode($state, \JSON_THROW_ON_ERROR));
flock($file, \LOCK_UN);
$response->send();
