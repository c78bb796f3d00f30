<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice\Language;

use ZippyTray\Core\Tray\Advice\RequestForm;

final readonly class Dutch extends Tongue
{
    public function name(): string
    {
        return 'nl';
    }

    public function words(): array
    {
        return [
            'de', 'het', 'een', 'en', 'van', 'is', 'niet', 'wij', 'we', 'je', 'u', 'uw', 'jullie', 'met', 'voor', 'op', 'te', 'dat',
            'die', 'ik', 'ons', 'onze', 'zijn', 'hebben', 'heb', 'nog', 'ook', 'graag', 'aan', 'bij', 'als', 'naar', 'om', 'er', 'maar',
            'kunt', 'kun', 'wordt', 'deze', 'dit', 'mijn', 'alvast', 'bedankt', 'uit', 'stuur', 'laat', 'weten', 'kom', 'komt', 'komen',
            'kan', 'zou', 'wil', 'wilt', 'willen', 'moet', 'moeten', 'hebt', 'heeft', 'had', 'was', 'waren', 'ben', 'bent', 'worden',
            'hier', 'daar', 'nu', 'dan', 'wel', 'geen', 'of', 'tot', 'over', 'door', 'zonder', 'wat', 'wie', 'waar', 'wanneer', 'hoe',
            'welke', 'mij', 'me', 'jou', 'jouw', 'hun', 'hem', 'haar', 'ze', 'goed', 'goede', 'dag', 'beste', 'hoi', 'hallo', 'groet',
            'groeten', 'dank', 'morgen', 'vandaag', 'gisteren', 'al', 'alle', 'alles', 'iets', 'niets', 'zo', 'toch', 'even', 'gevraagd',
        ];
    }

    public function forms(): array
    {
        return [
            [RequestForm::Order, '/
                \b(?:
                    kunt\s+u|kun\s+je|kan\s+je|kunnen\s+jullie
                    |zou(?:dt)?\s+(?:u|je|jij|jullie)
                    |zouden\s+jullie|wilt\s+u|wil\s+je|willen\s+jullie
                )\s+(?:(?:mij|me|ons|alstublieft|misschien|even|nog|ook|kunnen|willen)\s+)*(?<do>\p{L}.*)
            /xu'],
            [RequestForm::Order, '/(?<do>.{4,140})\b(?:alstublieft|alsjeblieft|aub|a\.u\.b\.|svp)\b/xu'],
            [RequestForm::Order, '/(?:^|[,;:.]\s*|\ben\s+)(?:gelieve|graag)\s+(?<do>(?!gedaan|tot|zien)\p{L}.*)/xu'],
            [RequestForm::Order, '/
                \b(?:ik|wij|we)\s+(?:verzoek|verzoeken|vraag|vragen|herinner|herinneren)\s+(?:u|je|jullie)\s+
                (?:(?:vriendelijk|dringend|hierbij|eraan)\s+)*(?:om\s+)?(?<do>\p{L}.*)
            /xu'],
            [RequestForm::Order, '/
                ^(?<do>
                    (?:
                        stuur|geef|bevestig|teken|onderteken|betaal|bel|laat|controleer|vul|breng|denk|vergeet\s+niet
                        |meld|lees|zeg|antwoord|reageer|kijk|koop|zoek|vraag|neem|zet|maak|kies|regel|boek|reserveer
                        |bestel|schrijf|haal|doe|zorg|help|leg
                    )\s+(?:
                        ons|mij|me|het|de|je|uw|dit|even|alsjeblieft|aan|eraan|weten|er|een|alle|mee|uit|na|naar|voor
                        |op
                    )\b.*
                )
            /xu'],
            [RequestForm::Wish, '/
                \b(?:het\s+zou|ik\s+zou|wij\s+zouden|we\s+zouden)\s+(?:
                    (?:het|erg|heel|zeer|fijn|handig|mooi|prettig|graag|op\s+prijs\s+stellen|zijn)\s+
                )*(?:als|dat)?\s*(?<do>(?:u|je|jullie|uw|jouw|de|het)\b.*)
            /xu'],
            [RequestForm::Wish, '/\b(?:ik|wij|we)\s+(?:ontvang|ontvangen|hoor|horen|zie|zien)\s+(?:dan\s+)?graag\s+(?<do>\p{L}.*)/xu'],
            [RequestForm::Need, '/
                \b(?:ik|wij|we)\s+(?:heb|hebben|mis|missen|wacht|wachten)\s+(?:(?:nog|steeds|dringend|op|altijd)\s+)*(?<do>
                    (?:uw|je|jouw|jullie|de|het|een\s+antwoord)\b.*\b(?:nodig|van\s+(?:u|je|jullie)\b(?!.*ontvangen))
                    .*
                )
            /xu'],
            [RequestForm::Need, '/\b(?:ik|wij|we)\s+(?:mis|missen|wacht|wachten)\s+(?:(?:nog|steeds|op|altijd)\s+)+(?<do>\p{L}.*)/xu'],
            [RequestForm::Need, '/(?<do>\b(?:uw|je|jouw|jullie)\s+\p{L}+\s+(?:ontbreekt|ontbreken)\b.*)/xu'],
            [RequestForm::Wish, '/\b(?:ik|wij|we)\s+(?:wil|willen|zou|zouden)\s+(?:(?:graag|ook|alleen|nog)\s+)*weten\s+(?<do>\p{L}.*)/xu'],
            [RequestForm::Need, '/\b(?:hebben|heb)\s+(?:wij|we|ik)?\s*(?:nog\s+(?:steeds\s+)?)(?<do>(?:geen|niets|niet)\b.*)/xu'],
            [RequestForm::Need, '/\b(?:u|je|jullie)\s+(?:moet|moeten|dient|dienen|wordt\s+verzocht|worden\s+verzocht)\s+(?<do>\p{L}.*)/xu'],
            [RequestForm::Need, '/
                (?<do>
                    \b(?:de|het|uw|je)\s?\p{L}+(?:\s[\p{L}\d\/-]+){0,3}?\s+(?:is|zijn|staat|staan|moet|moeten)\s+
                    (?:(?:nog|steeds|al|nu)\s+)*(?:
                        te\s+laat|open|achterstallig|onbetaald|verlopen|vóór\s.*|voor\s.*binnen.*|uiterlijk\s.*
                        |binnen\s+zijn.*
                    ).*
                )
            /xu'],
        ];
    }

    public function courtesy(): string
    {
        return '/
            ^(?:
                aarzel|excus|sorry|bezoek|klik
                |niet\s+(?:te\s+)?(?:beantwoorden|antwoorden)
                |er\s+rekening|begrip|geduld|nog\s+een\s+fijne|gedaan|voorstellen|geloven
            )
        /xu';
    }

    public function unlikely(): string
    {
        return '/^(?:(?:als|mocht|indien)\s+(?:u|je|jullie)\s+(?:nog\s+)?(?:vragen|twijfels)|voor\s+(?:vragen|meer)|bij\s+vragen'
            .'|heeft\s+u\s+vragen)/xu';
    }

    public function notNeeded(): string
    {
        return '/
            \b(?:
                niet\s+(?:meer\s+)?nodig
                |hoef(?:t|en)?\s+(?:(?:u|je|jullie|dat|het|niet|dit|meer)\s+)*(?:niet|niets)
                |geen\s+(?:actie|antwoord)\s+(?:nodig|vereist)
            )
        /xu';
    }

    public function rhetorical(): string
    {
        return '/^(?:(?:en|nou|dus)[,]?\s+)*(?:hoe\s+(?:gaat|is)\s+het.*|alles\s+goed.*|wie\s+had\s+dat.*|waarom\s+niet.*|toch|hè)\?/xu';
    }

    public function english(): array
    {
        return [
            // Two words of English are written with a plus between them.
            'maandagochtend' => 'monday+morning', 'maandagmorgen' => 'monday+morning', 'maandagmiddag' => 'monday+afternoon',
            'maandagavond' => 'monday+evening', 'maandagnacht' => 'monday+night', 'dinsdagochtend' => 'tuesday+morning',
            'dinsdagmorgen' => 'tuesday+morning', 'dinsdagmiddag' => 'tuesday+afternoon', 'dinsdagavond' => 'tuesday+evening',
            'dinsdagnacht' => 'tuesday+night', 'woensdagochtend' => 'wednesday+morning', 'woensdagmorgen' => 'wednesday+morning',
            'woensdagmiddag' => 'wednesday+afternoon', 'woensdagavond' => 'wednesday+evening', 'woensdagnacht' => 'wednesday+night',
            'donderdagochtend' => 'thursday+morning', 'donderdagmorgen' => 'thursday+morning', 'donderdagmiddag' => 'thursday+afternoon',
            'donderdagavond' => 'thursday+evening', 'donderdagnacht' => 'thursday+night', 'vrijdagochtend' => 'friday+morning',
            'vrijdagmorgen' => 'friday+morning', 'vrijdagmiddag' => 'friday+afternoon', 'vrijdagavond' => 'friday+evening',
            'vrijdagnacht' => 'friday+night', 'zaterdagochtend' => 'saturday+morning', 'zaterdagmorgen' => 'saturday+morning',
            'zaterdagmiddag' => 'saturday+afternoon', 'zaterdagavond' => 'saturday+evening', 'zaterdagnacht' => 'saturday+night',
            'zondagochtend' => 'sunday+morning', 'zondagmorgen' => 'sunday+morning', 'zondagmiddag' => 'sunday+afternoon',
            'zondagavond' => 'sunday+evening', 'zondagnacht' => 'sunday+night',
            'maandag' => 'monday', 'dinsdag' => 'tuesday', 'woensdag' => 'wednesday', 'donderdag' => 'thursday', 'vrijdag' => 'friday',
            'zaterdag' => 'saturday', 'zondag' => 'sunday',
            'januari' => 'january', 'februari' => 'february', 'maart' => 'march', 'april' => 'april', 'mei' => 'may', 'juni' => 'june',
            'juli' => 'july', 'augustus' => 'august', 'september' => 'september', 'oktober' => 'october', 'november' => 'november',
            'december' => 'december',
            'tussen' => 'between', 'en' => 'and', 'ga je' => 'come', 'gaan jullie' => 'come', 'tot vandaag' => 'so far',
            'ontvangt' => 'will receive', 'ontvang' => 'will receive', 'goed weekend' => 'good', 'fijn weekend' => 'good',
            'vandaag' => 'today', 'morgen' => 'tomorrow', 'overmorgen' => 'overmorrow', 'gisteren' => 'yesterday', 'volgende' => 'next',
            'komende' => 'coming', 'deze' => 'this', 'dit' => 'this', 'vorige' => 'last', 'afgelopen' => 'last', 'week' => 'week',
            'weken' => 'weeks', 'maand' => 'month', 'maanden' => 'months', 'jaar' => 'year', 'dagen' => 'days', 'dag' => 'day',
            'werkdagen' => 'workdays', 'weekend' => 'weekend', 'eind' => 'end', 'einde' => 'end', 'begin' => 'start', 'half' => 'half',
            'uur' => "o'clock", 'middag' => 'afternoon', 'thuis' => 'home', 'ochtend' => 'morning', 'avond' => 'evening',
            'middernacht' => 'midnight', 'binnen' => 'within', 'over' => 'in',
            'de' => 'the', 'het' => 'the', 'van' => 'of', 'op' => 'on', 'om' => 'at', 'rond' => 'around',
            'een' => 'one', 'twee' => 'two', 'drie' => 'three', 'vier' => 'four', 'vijf' => 'five', 'zes' => 'six', 'zeven' => 'seven',
            'acht' => 'eight', 'tien' => 'ten', 'veertien' => 'fourteen',
            'vóór' => 'before', 'voor' => 'before', 'uiterlijk' => 'at the latest by', 'tot' => 'until', 'sinds' => 'since',
            'vanaf' => 'from', 'deadline' => 'deadline',
            'vergadering' => 'meeting', 'afspraak' => 'appointment', 'bijeenkomst' => 'meeting', 'bezoek' => 'visit',
            'concert' => 'concert', 'feest' => 'party', 'etentje' => 'dinner', 'lunch' => 'lunch', 'bruiloft' => 'wedding',
            'verjaardag' => 'birthday', 'repetitie' => 'rehearsal', 'lezing' => 'lecture', 'feestje' => 'party', 'koffie' => 'coffee',
            'uitje' => 'visit', 'afgelast' => 'cancelled', 'geannuleerd' => 'cancelled', 'begint' => 'begins', 'plaats' => 'takes place',
            'zal' => 'will', 'komen' => 'come', 'kom' => 'come', 'komt' => 'come', 'langskomen' => 'visit', 'langs' => 'visit',
            'gesloten' => 'is closed', 'dicht' => 'is closed', 'waren' => 'were', 'werd' => 'was', 'werden' => 'were', 'had' => 'had',
            'hadden' => 'had', 'was' => 'was', 'wordt' => 'will',
            // Meeting and being there
            'meegaan' => 'join', 'meedoen' => 'join', 'meekomen' => 'join', 'aansluiten' => 'join', 'bijwonen' => 'attend',
            'deelnemen' => 'attend', 'afspreken' => 'meet', 'ontmoeten' => 'meet', 'zien' => 'meet', 'vrij' => 'free',
            'beschikbaar' => 'free', 'schikt' => 'suits', 'uitkomt' => 'suits', 'langskom' => 'visit',
        ];
    }

    public function verbs(): array
    {
        return [
            'teken|ondertek' => 'Sign',
            'bevestig' => 'Confirm',
            'betal|betaal|overmak|voldo' => 'Pay',
            'controle|nakijk|check|corrige|doorlez|nalez|lezen' => 'Check',
            'invul|vul' => 'Fill in',
            'terugstu|retour' => 'Send back',
            'bel|opbel' => 'Call',
            'breng|meebreng|meenem' => 'Bring',
            'boek|reserveer' => 'Book',
            'bestel' => 'Order',
            'schrijf|schrijv|opstel|voorbereid' => 'Write',
            'stuur|stur|zend|opstu|toestu|aanlever|inlever|mail|geef|doorgeven' => 'Send',
            'laat|laten\s+weten|weten|zeg|meld|antwoord|reage' => 'Tell',
            '(?:langs|mee)?kom' => 'Come',
        ];
    }

    public function moving(): array
    {
        return [
            'verb' => 'verplaats|verzet|verschov|verschuif|uitgesteld|vervroegd|verlengd|gewijzigd|verlegd|verhuis',
            'from' => 'van',
            'to' => 'naar|tot',
            'instead' => 'in plaats van|niet meer',
            'not' => 'niet',
            'but' => 'maar',
        ];
    }
}
