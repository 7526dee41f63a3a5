<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use Exception;

/** Why a formula gives nothing, as a sentence. */
final class FormulaProblem extends Exception
{
}
