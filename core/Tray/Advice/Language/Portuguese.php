<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice\Language;

use ZippyTray\Core\Tray\Advice\RequestForm;

final readonly class Portuguese extends Tongue
{
    public function name(): string
    {
        return 'pt';
    }

    public function words(): array
    {
        return [
            'a', 'o', 'os', 'as', 'de', 'do', 'da', 'dos', 'das', 'e', 'que', 'em', 'no', 'na', 'um', 'uma', 'para', 'com', 'não', 'se',
            'por', 'seu', 'sua', 'você', 'nós', 'é', 'está', 'ao', 'mais', 'mas', 'como', 'favor', 'obrigado', 'obrigada', 'olá', 'até',
            'ainda', 'nos', 'foi', 'já', 'meu', 'pela', 'pelo', 'temos', 'manda', 'diz', 'podes', 'poderia', 'tens', 'tem', 'tenho',
            'estás', 'estão', 'são', 'era', 'eu', 'ele', 'ela', 'eles', 'me', 'te', 'lhe', 'minha', 'teu', 'tua', 'nosso', 'nossa',
            'também', 'muito', 'bem', 'quando', 'qual', 'quem', 'onde', 'hoje', 'amanhã', 'ontem', 'bom', 'dia', 'cara', 'caro',
            'cumprimentos', 'preciso', 'gostaria', 'falta', 'espera', 'esqueças', 'uns', 'umas', 'nas', 'aos', 'à', 'às', 'sem', 'sobre',
            'ou', 'sim', 'tudo', 'todos', 'nada', 'fotografias',
        ];
    }

    public function letters(): string
    {
        return '/[ãõ]/u';
    }

    public function forms(): array
    {
        return [
            [RequestForm::Order, '/
                \b(?:poderia[ms]?|pode[ms]?|podes|consegue[ms]?|importa-se\s+de|seria\s+possível)\s+
                (?:(?:você|vocês|por\s+favor|também|me|nos)\s+)*(?<do>(?:me\s+|nos\s+)?(?!ser\b|haver)\p{L}+r\b.*)
            /xu'],
            [RequestForm::Order, '/(?:^|[,;:.]\s*|\be\s+)(?:por\s+(?:favor|gentileza)|favor),?\s+(?<do>\p{L}.*)/xu'],
            [RequestForm::Order, '/(?<do>.{4,140}),?\s+por\s+(?:favor|gentileza)\b/xu'],
            [RequestForm::Order, '/
                \b(?:peço|pedimos|solicito|solicitamos|agradeço|agradecemos|lembro|lembramos|agradecia|agradecíamos)
                (?:-(?:lhe|vos|te))?\s+(?:(?:que|o\s+favor\s+de|a\s+gentileza\s+de|lhe|vos)\s+)*(?<do>
                    (?!a\s+sua\s+(?:compreensão|atenção)|desculpa|o\s+contacto|pela|pelo|a\s+atenção)\p{L}.*
                )
            /xu'],
            [RequestForm::Order, '/
                ^(?<do>
                    (?:
                        envie(?:-me|-nos)?|envia(?:-me|-nos)?|mande|manda|confirme|confirma|assine|assina|responda
                        |responde|diga(?:-me|-nos)?|ligue|liga|verifique|verifica|preencha|pague|traga|traz|lembre-se
                        |não\s+(?:se\s+)?esqueça|avise|avisa|devolva|devolve|indique|indica|diz(?:-me|-nos)
                        |dá(?:-me|-nos)|dê(?:-me|-nos)
                        |não\s+(?:te|se|vos)\s+esqueç\p{L}+
                        |lembra-te|pergunta|pergunte|compra|compre|reserva|reserve|procura|procure|prepara|prepare|lê
                        |leia|vê|veja|escolhe|escolha
                        |(?:
                            enviem|mandem|confirmem|assinem|respondam|digam|liguem|verifiquem|preencham|paguem|tragam
                            |devolvam|entreguem|indiquem|escolham
                        )(?:-nos|-me)?
                        |escreve|escreva|corrige|corrija|ajuda-me|põe|ponha
                    )\b.*
                )
            /xu'],
            [RequestForm::Wish, '/
                \b(?:seria|gostaria|gostaríamos|ajudaria|gostava)\s+
                (?:(?:muito|ótimo|bom|útil|de|receber|ter|saber)\s+)*(?:se|que)?\s*
                (?<do>(?:pudesse[ms]?|o|a|os|as|sua|seu|você|se)\b.*)
            /xu'],
            [RequestForm::Need, '/
                \b(?:
                    preciso|precisamos|necessito|necessitamos|falta(?:m)?-?(?:nos|me)?|aguardo|aguardamos
                    |continuo\s+à\s+espera|continuamos\s+à\s+espera|estou\s+à\s+espera|estamos\s+à\s+espera
                )\s+(?:(?:ainda|urgentemente|também)\s+)*(?:
                    que\s+|d[ao]s?\s+|de\s+(?=(?:um|uma|sua|seu|tua|teu|mais|saber|ter|receber)\b)|(?!de\s)
                )(?<do>\p{L}.*)
            /xu'],
            [RequestForm::Need, '/
                (?<do>
                    \b(?:sua|seu|tua|teu|suas|seus|a|o)\s[^.;,!?]{2,40}?\s(?:ainda\s+)?não\s+
                    (?:foi|está|foram|estão|chegou|chegaram)\b(?:\s+ainda)?(?:
                        \s+(?:pag|recebid|entregue|assinad|devolvid|confirmad)\p{L}*
                    )?.*
                )
            /xu'],
            [RequestForm::Wish, '/\b(?:gostaria|gostaríamos|gostava|queria|queríamos|quero)\s+(?:de\s+)?saber\s+(?<do>\p{L}.*)/xu'],
            [RequestForm::Need, '/\bainda\s+não\s+(?:recebi|recebemos|tenho|temos|tive|tivemos)\s+(?<do>\p{L}.*)/xu'],
            [RequestForm::Need, '/
                \b(?:tem|tens|têm|deve[ms]?|terá|terás|há)\s+(?:que\s+|de\s+)?(?<do>
                    (?:
                        enviar|mandar|assinar|pagar|entregar|apresentar|devolver|confirmar|preencher|responder
                        |completar
                    )\p{L}*\b.*
                )
            /xu'],
            [RequestForm::Need, '/
                (?<do>
                    \b(?:a|o|sua|seu)\s?\p{L}+(?:\s[\p{L}\d\/-]+){0,3}?\s+(?:está|continua|encontra-se|vence)\s+
                    (?:ainda\s+)?(?:em\s+atraso|vencid[ao]|por\s+pagar|pendente|em\s+falta|atrasad[ao]|no\s+dia).*
                )
            /xu'],
        ];
    }

    public function courtesy(): string
    {
        return '/^(?:não\s+(?:hesite|responda)|desculp|aceite|receba|visite|clique|note\s+que|a\s+sua\s+(?:compreensão|paciência)|imaginar'
            .'|acreditar)/xu';
    }

    public function unlikely(): string
    {
        return '/^(?:se\s+(?:tiver|tem|tiveres)\s+(?:alguma|qualquer|dúvidas|mais)|para\s+(?:qualquer|mais)|em\s+caso\s+de'
            .'|caso\s+tenha)/xu';
    }

    public function notNeeded(): string
    {
        return '/\b(?:não\s+(?:é\s+(?:mais\s+)?(?:necessário|preciso)|precisa[ms]?|tem\s+(?:de|que))|nenhuma\s+(?:ação|resposta))/xu';
    }

    public function rhetorical(): string
    {
        return '/^(?:(?:e|então|mas)[,]?\s+)*(?:como\s+(?:está|estás|vai|estão)|tudo\s+bem|quem\s+diria|porque\s+não|não\s+é'
            .'|certo)\b[^?]{0,40}\?/xu';
    }

    public function english(): array
    {
        return [
            'segunda' => 'monday', 'terça' => 'tuesday', 'quarta' => 'wednesday', 'quinta' => 'thursday', 'sexta' => 'friday',
            'feira' => 'on', 'sábado' => 'saturday', 'domingo' => 'sunday',
            'janeiro' => 'january', 'fevereiro' => 'february', 'março' => 'march', 'abril' => 'april', 'maio' => 'may', 'junho' => 'june',
            'julho' => 'july', 'agosto' => 'august', 'setembro' => 'september', 'outubro' => 'october', 'novembro' => 'november',
            'dezembro' => 'december',
            'hoje' => 'today', 'amanhã' => 'tomorrow', 'ontem' => 'yesterday', 'próximo' => 'next', 'próxima' => 'next', 'este' => 'this',
            'esta' => 'this', 'passado' => 'last', 'passada' => 'last', 'semana' => 'week', 'semanas' => 'weeks', 'mês' => 'month',
            'meses' => 'months', 'ano' => 'year', 'dias' => 'days', 'dia' => 'on', 'horas' => "o'clock", 'antes de' => 'the',
            'entre' => 'between', 'bom fim' => 'good', 'até hoje' => 'so far', 'receberá' => 'you will receive', 'fim' => 'end',
            'final' => 'end', 'início' => 'start', 'meados' => 'middle', 'meio-dia' => 'noon', 'meia-noite' => 'midnight',
            'manhã' => 'morning', 'tarde' => 'afternoon', 'noite' => 'evening', 'dentro' => 'within',
            'casa' => 'home', 'o' => 'the', 'a' => 'the', 'as' => 'at', 'às' => 'at', 'do' => 'the', 'da' => 'the', 'no' => 'on',
            'na' => 'on', 'ao' => 'the', 'de' => 'of', 'em' => 'in',
            'um' => 'one', 'uma' => 'one', 'dois' => 'two', 'duas' => 'two', 'três' => 'three', 'quatro' => 'four', 'cinco' => 'five',
            'seis' => 'six', 'sete' => 'seven', 'oito' => 'eight', 'dez' => 'ten', 'quinze' => 'fifteen',
            'até' => 'by', 'antes' => 'before', 'prazo' => 'deadline', 'prazo de' => 'within', 'termina' => 'ends', 'acaba' => 'ends',
            'aberto' => 'open', 'aberta' => 'open', 'abertas' => 'open', 'vence' => 'due', 'limite' => 'deadline', 'desde' => 'since',
            'para' => 'by',
            'reunião' => 'meeting', 'consulta' => 'appointment', 'encontro' => 'meeting', 'visita' => 'visit', 'concerto' => 'concert',
            'festa' => 'party', 'jantar' => 'dinner', 'almoço' => 'lunch', 'casamento' => 'wedding', 'aniversário' => 'birthday',
            'ensaio' => 'rehearsal', 'aula' => 'lesson', 'café' => 'coffee', 'passeio' => 'visit', 'cancelada' => 'cancelled',
            'cancelado' => 'cancelled', 'começa' => 'begins', 'realiza-se' => 'takes place', 'está' => 'is', 'estão' => 'are',
            'estará' => 'will', 'será' => 'will', 'vir' => 'come', 'vens' => 'come', 'passar' => 'visit', 'fechado' => 'closed',
            'fechada' => 'closed', 'estivemos' => 'were', 'fomos' => 'were', 'estava' => 'was', 'eram' => 'were', 'foi' => 'was',
            'era' => 'was',
            // Meeting and being there
            'juntar-te' => 'join', 'juntar-se' => 'join', 'acompanhar' => 'join', 'encontrar-nos' => 'meet', 'encontramos' => 'meet',
            'vemo-nos' => 'meet', 'reunir' => 'meet', 'participar' => 'attend', 'assistir' => 'attend', 'livre' => 'free',
            'disponível' => 'free', 'jeito' => 'suits', 'em casa' => 'home',
        ];
    }

    public function thing(): string
    {
        return '/^(?:(?:os?|as?|uma?|seus?|suas?|teus?|tuas?)\s)/u';
    }

    public function verbs(): array
    {
        return [
            'assin' => 'Sign',
            'confirm' => 'Confirm',
            'pag|liquid' => 'Pay',
            'verific|rev(?:er|ej|is)|corrig|conf(?:er|ir)' => 'Check',
            'preench|complet' => 'Fill in',
            'devolv' => 'Send back',
            'lig|telefon' => 'Call',
            'tra(?:zer|ga)' => 'Bring',
            'reserv' => 'Book',
            'encomend' => 'Order',
            'escrev|prepar|redig' => 'Write',
            'envi|mand|remet|entreg|apresent|fornec' => 'Send',
            'diz|dig|avis|indic|respond|inform' => 'Tell',
            'vir|venha|particip|comparec' => 'Come',
        ];
    }

    public function moving(): array
    {
        return [
            'verb' => 'adiad|adiamos|mud(?:ou|ad|amos)|transfer|alterad|antecip|remarc|prorrog|pass(?:a|ou)\b',
            'from' => 'd[eoa]s?',
            'to' => 'para|até',
            'instead' => 'em vez d[eoa]s?|em lugar d[eoa]s?|no lugar d[eoa]s?',
            'not' => 'não',
            'but' => 'mas|e sim',
        ];
    }
}
