import { readFileSync, writeFileSync } from 'node:fs';
import { writeCase } from '@/core/formats/caseFile';
import { catalogueSchema } from '@/core/model/catalogueSchema';
import { demoCatalogue } from '@/demo/catalogue';
import { demoSeats } from '@/demo/ninefathom';
import { DEMO_TODAY } from '@/demo/seed';
const film = demoSeats().find(({ seatId }) => seatId === 'film-desk')!;
writeFileSync('/tmp/film.json', JSON.stringify(writeCase('Film', DEMO_TODAY, film.brief, film.drafts, catalogueSchema.parse(demoCatalogue()))));
console.log(film.drafts.map(d=>[d.id,d.name,d.present,d.items.map(i=>i.id+':'+i.part).join(' ')]));
