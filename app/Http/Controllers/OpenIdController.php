<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Account\NotSignedIn;
use App\Account\OpenId;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** To the identity provider of an organisation, and back. Its codes stand for ours. */
final readonly class OpenIdController
{
    public function __construct(private OpenId $openId)
    {
    }

    public function begin(Request $request): RedirectResponse
    {
        $this->check();
        try {
            return new RedirectResponse($this->openId->begin($request->session()));
        } catch (NotSignedIn $refusal) {
            return self::say($refusal);
        }
    }

    public function back(Request $request): RedirectResponse
    {
        $this->check();
        [$state, $code] = [$request->query('state'), $request->query('code')];
        try {
            if (! is_string($state) || ! is_string($code) || strlen($state) > 200 || strlen($code) > 2000) {
                throw new NotSignedIn('refused');
            }
            $person = $this->openId->finish($request->session(), $state, $code);
        } catch (NotSignedIn $refusal) {
            return self::say($refusal);
        }
        Auth::login($person, true);
        $request->session()->regenerate();

        return new RedirectResponse('/');
    }

    private function check(): void
    {
        OpenId::name() !== null || throw new NotFoundHttpException;
    }

    /** By a word that the page knows: what comes by an address is shown to nobody. */
    private static function say(NotSignedIn $refusal): RedirectResponse
    {
        return new RedirectResponse('/sign-in?'.http_build_query(['why' => $refusal->why]));
    }
}
