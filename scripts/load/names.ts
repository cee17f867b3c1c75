/** What made-up owners are called: first and last names, none of anybody. */
export const FIRST = (
  'Abel Ada Agnes Albin Alma Anders Annika Arvid Astrid Axel Bea Bengt Berta Birk Brita Carl Cecil Clara Dag Dora Ebba Edda ' +
  'Edwin Eike Elin Elsa Emil Enok Ester Eva Fenja Finn Flora Frida Gerd Gudrun Gustaf Hedda Helga Henrik Hilda Holger Ida ' +
  'Inga Isak Ivar Jens Johan Judith Karin Karla Kasper Kjell Knut Lars Lea Leif Lina Lotta Lukas Mabel Malte Marit Mats ' +
  'Merle Mona Nanna Nora Odd Olga Oskar Otto Paula Per Petra Ragna Rolf Rowena Runa Selma Signe Sixten Solveig Sten Sven Tea ' +
  'Thora Tilda Tor Tove Ulf Ulla Urban Vera Viktor Vilma Yngve Ylva'
).split(' ');
export const LAST_FRONT =
  'Alder Apple Ash Barley Birch Black Bramble Brook Clay Cop Fern Field Gorse Hazel Heath Holt Kestrel Lark Marsh Moor Nettle Oak Orch Reed Rook Rowan Rush Sedge Thorn Under West Willow Wood Wren'.split(
    ' ',
  );
export const LAST_BACK =
  'bank berg borough by croft dale den field ford garth gate ham hill holm hurst ley lund man mere more ridge row shaw side stead sted stone thorpe ton well wick worth yard'.split(
    ' ',
  );
