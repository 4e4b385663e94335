"""Portuguese. Made from translations/pt.po."""

LINES = """
untitled: Um jogo sem título
your name: O teu nome
name of player: Nome do jogador {number}
another player: Mais um jogador
to the table: Para a mesa
player: Jogador
player numbered: Jogador {number}
kept of you: Guarda-se para quem fez este jogo: o nome que dás, as tuas respostas e quando as deste. Essa pessoa pode apagar tudo para sempre.
laying: A pôr a mesa…
begin: Começar
questions: {count} pergunta | {count} de perguntas | {count} perguntas
how many: Quantas perguntas, de 1 a {most}?
rounds: Rondas
played: jogada
sound with a press: O som começa quando carregares em algo.
question number: Pergunta {number}
question of: Pergunta {number} de {count}
question up to: Pergunta {number} de {count} no máximo
has the turn: tem a vez
is out: está fora
score: Pontos
lives: Vidas
clock of the question: Tempo da pergunta
clock of the round: Tempo da ronda
clock of the game: Tempo do jogo
of the question: pergunta
of the round: ronda
of the game: jogo
seconds: {count} s
seconds left: falta {count} segundo | faltam {count} de segundos | faltam {count} segundos
tries left: Tentativas restantes: {count}.
misses left: Resta {count} falha. | Restam {count} de falhas. | Restam {count} falhas.
pick all: Escolhe todas as certas e depois responde.
answer with: Responder com {count} escolha | Responder com {count} de escolhas | Responder com {count} escolhas
answer: Responder
type answer: Escreve a tua resposta
or type: Ou escreve a tua resposta
or say: Ou diz tudo de uma vez
hint: Pista
hint is: Pista: {hint}
pass: Passar
letters: Letras
tried: {sign}, já tentada
blank: vazio
picked: escolhida
right answer: resposta certa
your answer: a tua resposta
picture of the question: A imagem de que trata esta pergunta
sound of the question: o som de que trata esta pergunta
picture choice: Imagem {letter}
sound choice: Som {letter}
hear it: Ouvir
stop it: Parar
sound is off: O som está desligado.
cannot hear: Este som não pode ser tocado aqui.
read out: Ler em voz alta
no voice: Não há neste aparelho uma voz que leia.
right: Certo.
close: Quase, e conta.
wrong: Desta vez não.
late: Tarde demais.
was passed: Passada.
hit: Sim.
miss: Não.
unreadable: Não se conseguiu ler: {why}. Não custa nada; responde outra vez.
it is: É {answer}.
go on: Continuar
choice named: {letter}, «{choice}»
choice amid: {letter}, «{choice}»,
quoted: «{text}»
list and: {some} e {last}
list or: {some} ou {last}
is the right: {choice} é a resposta certa
is a right: {choice} é uma resposta certa
is not right: {choice} não é a resposta certa
are not all: {choices} não são exatamente todas as respostas certas
are all: {choices} é toda a resposta certa | {choices} são todas as respostas certas | {choices} são todas as respostas certas
are all but: {choices} estão certas salvo {count} gralha | {choices} estão certas salvo {count} de gralhas | {choices} estão certas salvo {count} gralhas
typed right: «{typed}» é a resposta certa
typed read: «{typed}» é a resposta certa, lida como «{answer}»
typed wrong: «{typed}» não é a resposta certa
typos apart: «{typed}» está a {typos} de «{answer}»; {allowed}
typos: {count} gralha | {count} de gralhas | {count} gralhas
typos allowed: é permitida {count} | são permitidas {count} | são permitidas {count}
number right: {typed} é a resposta certa
number near: {typed} é a resposta certa, a {tolerance} ou menos de {right}
number wrong: {typed} não é a resposta certa
with how: {why}; {how}
as thousands: {mark} foi lido como separador de milhares
as decimal: {mark} foi lido como separador decimal
comma: a vírgula
point: o ponto
letter stands: «{letter}» está na palavra
letter not: «{letter}» não está na palavra
all found: todas as letras foram encontradas
time over: o tempo acabou
passed why: passada
nothing picked: nada foi escolhido
no choice: não há escolha {number}; {offer}
offer: as escolhas vão de A a {letter}
only one: só se quer uma escolha; escolhe uma
nothing typed: nada foi escrito
no word: nenhuma palavra foi escrita
nothing to pick: não há nada para escolher; escreve a resposta
no number: «{typed}» não é um número
names none: «{typed}» não nomeia nenhuma escolha; {offer}
could be: «{typed}» pode ser {letters}; escolhe
too long: a resposta tem {count} sinais; leem-se no máximo {most}
too long a word: a resposta é longa demais para ser a palavra
not taken: Não aceite: {why}.
before begun: a partida não começou
waits: uma pergunta espera a resposta
feedback shown: está a ser mostrado o resultado
after the end: a partida acabou
other question: era para a pergunta {number} da partida, que já passou
no round: não há tal ronda para escolher
round played: essa ronda já foi jogada
number set: o número de perguntas está fixado
unless so many: podem ser de 1 a {most} perguntas
no letters: a pergunta não é uma palavra a encontrar
one letter: tem de ser uma letra ou um algarismo
letter tried: «{letter}» já foi tentada
no hints: esta ronda não dá pistas
has no hint: a pergunta não tem pista
hint shown: a pista já está à vista
no passing: nesta ronda não se passa
no end here: a partida termina por si, ou ainda não há fim para ela
not yet: continua daqui a {count} ms
the end: Fim
given up: Desistência
badge rosette: roseta
badge marrow: abóbora
badge basket: cesto
badge sprout: rebento
badge trowel: pá de jardim
badge slug: lesma
points: {count} ponto | {count} de pontos | {count} pontos
so many right: {right} certas em {asked}, {percent} %
play again: Jogar outra vez
share: Partilhar o resultado
shared: O resultado foi copiado.
share words: {title}: {ending}, {points}
best so far: É o melhor até agora.
best scores: Melhores resultados
lowest scores: Melhores resultados, do mais baixo
fastest runs: Partidas mais rápidas
your scores: Os teus resultados
when: Quando
ending: Final
time: Tempo
just now: agora mesmo
minutes ago: há {count} minuto | há {count} de minutos | há {count} minutos
hours ago: há {count} hora | há {count} de horas | há {count} horas
days ago: há {count} dia | há {count} de dias | há {count} dias
your answers: As tuas respostas
no answer: sem resposta
as right: certa
as close: quase, conta
as wrong: errada
as late: tarde demais
as passed: passada
remark: Um comentário para quem fez o jogo
send remark: Enviar
thanks: Obrigado: o teu comentário fica guardado com esta partida.
this run: Esta partida
stop here: Parar aqui
begin anew: Começar de novo
other names: Outros nomes
leave: Sair do jogo
older version: O jogo mudou desde que esta partida começou; ela continua como começou.
settings: Definições
mute: Sem som
sound is on: O som está ligado
no music: Sem música
light as the device: Aspeto: claro ou escuro, como o aparelho
light: Aspeto: claro
dark: Aspeto: escuro
larger text: Letra maior
connection lost: A ligação perdeu-se. O que fizeste será enviado assim que ela voltar.
in the queue: Neste momento há muita gente a jogar. A tua vez chega sozinha.
is gone: Isto já não está aqui.
too often: Foi vezes demais. Espera um momento e tenta de novo.
moved on: A partida continuou noutro sítio; está assim agora.
not playable: Este jogo não pode ser jogado agora. Há nele algo a arranjar.
trouble: Algo correu mal. Tenta de novo.
try again: Tentar de novo
kept here: O que fazes fica neste dispositivo: o nome que dás, as tuas respostas e quando as deste.
save answers: Guardar as respostas num ficheiro
from disk: Os navegadores não jogam isto diretamente de um disco. Na pasta, escreve {command} e abre {address}.
true: verdadeiro
false: falso
sort prompt: Onde fica «{item}»?
odd prompt: Qual não pertence ao grupo?
press enter: Carrega em Enter para começar.
type round: Escreve o número de uma ronda.
enter takes: Enter aceita {count}.
such as: Querem-se todas as certas, por exemplo A, C.
enter goes on: Enter para continuar
wait: espera
key hint: /pista
key pass: /passar
key quit: /fim
"""
