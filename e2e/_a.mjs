import d,{shot,logs} from './_shot.mjs';
try{
await d.get('http://127.0.0.1:4690/demo'); await d.sleep(3500); await shot('map');
const u=(await d.getCurrentUrl()).replace(/\/map.*/,'');
for(const [s,q] of [['sources',''],['clean',''],['concepts','?concept=night%20shift'],['links','?concept=driver'],['themes','?theme=B'],['compare','?theme=A&attribute=role&group=shift%20worker']]){await d.get(u+'/'+s+q);await d.sleep(1800);await shot(s);}
await logs();
}finally{await d.quit()}
