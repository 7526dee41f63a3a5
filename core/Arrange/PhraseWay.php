<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/** How the phrase of the connector that leads to a slip is shown. */
enum PhraseWay: string
{
    /** On a straight last part of the connector, for which the branch has room beyond its edge. */
    case Strip = 'strip';

    /** Along a straight connector whose ends are where a person put them, wherever there is room. */
    case Along = 'along';

    /** In the box, above its title, where connectors have no room or are none. */
    case InBox = 'in box';

    case Hidden = 'hidden';
}
