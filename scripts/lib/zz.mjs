import { lanternQuay } from '#demo'
import { tellLine } from '#core/lines'
const {backup:b}=lanternQuay({seed:1,untilMs:Date.now()})
for (const line of b.lines){
 const cols=b.colonies.filter(c=>c.lineId===line.id).map(c=>c.id)
 const t=performance.now()
 const r=tellLine({line,ladder:b.ladders.find(l=>l.id===line.ladderIds[0]),generations:b.generations.filter(g=>g.lineId===line.id),breedingGroups:b.breedingGroups.filter(g=>g.lineId===line.id),entries:b.entries.filter(e=>cols.includes(e.colonyId))},.25)
 const d=r.told
 console.log(line.name,(performance.now()-t).toFixed(0)+'ms',d.heading,JSON.stringify(d.best),'h2',JSON.stringify(d.heritability),d.known,'pace',d.pace,'F',JSON.stringify(d.inbreeding),'left',d.generationsLeft)
 console.log(d.generations.map(g=>g.counts.join('/')+' m'+g.meanRung.toFixed(2)+' F'+g.inbreeding.value.toFixed(2)).join('  '))
 console.log('came',d.came&&[d.came.meanRung,d.came.forecast.meanRung,d.came.unexplained], d.keepers.map(k=>[k.name,k.graded,k.shift?.value,k.blur.value]), d.agreements)
}
