<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Account\AddressChange;
use App\Account\Leaving;
use App\Account\OpenId;
use App\Account\PersonalData;
use App\Account\SignIns;
use App\Account\TwoFactor;
use App\Files\SentFiles;
use App\Http\ErrorAnswer;
use App\Http\Loopback;
use App\Http\Requests\ChangeAddress;
use App\Http\Requests\ChangeName;
use App\Http\Requests\ChangePassword;
use App\Http\Requests\ConfirmAddress;
use App\Http\Requests\ConfirmPassword;
use App\Http\Requests\SayCode;
use App\Mail\Outbox;
use App\Models\Person;
use App\Models\SignIn;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** One's own account: what it is called, how it is signed in to and where, all that is kept of it, and leaving. */
final readonly class SecurityController
{
    public function __construct(private SignIns $signIns, private TwoFactor $twoFactor, private Leaving $leaving)
    {
    }

    public function show(Request $request, #[CurrentUser] Person $person): JsonResponse
    {
        return $this->told($request, $person);
    }

    public function name(ChangeName $request, #[CurrentUser] Person $person): JsonResponse
    {
        $person->forceFill(['name' => $request->name()])->save();

        return $this->told($request, $person);
    }

    /** A letter goes to the new address; the answer is the same whether it has an account or not. */
    public function address(ChangeAddress $request, AddressChange $change, Outbox $outbox, #[CurrentUser] Person $person): JsonResponse
    {
        $request->checkPassword($person);
        $change->begin($person, $request->email());

        return new JsonResponse(['message' => 'A letter with a link is on its way to the new address. Until it is opened, all stays as it is.', 'letter' => Loopback::holds($request) ? $outbox->latest($request->email()) : null]);
    }

    public function confirmAddress(ConfirmAddress $request, AddressChange $change): JsonResponse
    {
        return $change->finish((string) $request->string('token')) ? new JsonResponse(['message' => 'The address is changed. Sign in with it from now on.']) : ErrorAnswer::answer(422, 'link_spent', 'This link has been used or is too old. Ask for a new one.', 'token');
    }

    /** All other browsers have to sign in anew. */
    public function password(ChangePassword $request, #[CurrentUser] Person $person): JsonResponse
    {
        $request->checkPassword($person);
        $person->password = $request->next();
        $person->save();
        $this->signIns->end($person, $request->session(), null);
        self::stay($person);

        return $this->told($request, $person);
    }

    public function beginTwoFactor(ConfirmPassword $request, #[CurrentUser] Person $person): JsonResponse
    {
        $request->checkPassword($person);

        return new JsonResponse($this->twoFactor->begin($person));
    }

    public function confirmTwoFactor(SayCode $request, #[CurrentUser] Person $person): JsonResponse
    {
        return new JsonResponse(['codes' => $this->twoFactor->confirm($person, $request->code())]);
    }

    public function renewCodes(ConfirmPassword $request, #[CurrentUser] Person $person): JsonResponse
    {
        $request->checkPassword($person);

        return TwoFactor::isOn($person) ? new JsonResponse(['codes' => $this->twoFactor->renew($person)]) : throw new NotFoundHttpException;
    }

    public function endTwoFactor(ConfirmPassword $request, #[CurrentUser] Person $person): JsonResponse
    {
        $request->checkPassword($person);
        $this->twoFactor->end($person);

        return $this->told($request, $person);
    }

    public function end(Request $request, SignIn $signIn, #[CurrentUser] Person $person): JsonResponse
    {
        if ($signIn->person_id !== $person->id) {
            throw new NotFoundHttpException;
        }
        $this->signIns->end($person, $request->session(), $signIn->id);
        self::stay($person);

        return $this->told($request, $person);
    }

    public function endOthers(Request $request, #[CurrentUser] Person $person): JsonResponse
    {
        $this->signIns->end($person, $request->session(), null);
        self::stay($person);

        return $this->told($request, $person);
    }

    public function data(Request $request, PersonalData $data, SentFiles $sent, #[CurrentUser] Person $person): Response
    {
        return $sent->handOver($data->write($person, $request->session()), 'application/zip', 'chalk-tree.zip');
    }

    /** What removing the account means is told by show(). */
    public function remove(ConfirmPassword $request, #[CurrentUser] Person $person): JsonResponse
    {
        $request->checkPassword($person);
        Auth::logoutCurrentDevice();
        $request->session()->invalidate();
        $this->leaving->go($person);

        return new JsonResponse(['person' => null]);
    }

    /** This browser is remembered as before. */
    private static function stay(Person $person): void
    {
        $person->setRememberToken(Str::random(60));
        $person->save();
        Auth::login($person, true);
    }

    private function told(Request $request, Person $person): JsonResponse
    {
        return new JsonResponse([
            'name' => $person->name, 'email' => $person->email, 'twoFactor' => TwoFactor::isOn($person), 'recovery' => count($person->recovery ?? []),
            'provider' => $person->openid === null ? null : OpenId::name(), 'signIns' => $this->signIns->of($person, $request->session()), 'leaving' => $this->leaving->means($person),
        ]);
    }
}
